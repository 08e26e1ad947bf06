export * from './limitFields';
export * from './figures';
export * from './sheet';
export * from './table';
