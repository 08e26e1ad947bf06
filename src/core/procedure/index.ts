export * from './types';
export * from './rules';
export * from './context';
export * from './plan';
export * from './looks';
export * from './pads';
export * from './reservoir';
export * from './check';
