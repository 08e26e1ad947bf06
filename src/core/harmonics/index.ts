export * from './design';
export * from './fit';
export * from './describe';
export * from './wave';
export * from './outliers';
export * from './slips';
