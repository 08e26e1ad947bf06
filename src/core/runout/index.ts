export * from './solveRunout';
