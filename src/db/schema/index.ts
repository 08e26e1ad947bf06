export * from './vehicles';
export * from './jobs';
export * from './readings';
export * from './settings';
