export * from './problem';
export * from './solver';
export * from './solvers';
export * from './openapi';
export * from './forms';
export * from './knowledge';
export * from './procedure';
export { findingCodes } from './diagnose';
export * from './checks';
