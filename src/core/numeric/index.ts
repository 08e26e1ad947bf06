export * from './complex';
export * from './statistics';
export * from './leastSquares';
export * from './closeness';
export * from './random';
