export * from './shop';
export * from './types';
export * from './compare';
export * from './predict';
export * from './rank';
export * from './pair';
export * from './advice';
export * from './words';
