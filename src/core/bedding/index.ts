export * from './programme';
export * from './thermal';
