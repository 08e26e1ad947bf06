export * from './checks';
export * from './compare';
export * from './crossCheck';
export * from './preparation';
export * from './signatures';
