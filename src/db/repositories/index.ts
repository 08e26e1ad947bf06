export * from './vehicles';
export * from './jobs';
export * from './sets';
export * from './settings';
export * from './findings';
export * from './roadTests';
