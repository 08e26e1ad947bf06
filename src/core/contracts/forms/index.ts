export * from './common';
export * from './vehicle';
export * from './job';
export * from './sets';
export * from './findings';
export * from './roadTest';
export * from './strip';
export * from './shop';
