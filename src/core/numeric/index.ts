export * from './complex';
export * from './statistics';
export * from './leastSquares';
export * from './normalEquations';
export * from './closeness';
export * from './random';
