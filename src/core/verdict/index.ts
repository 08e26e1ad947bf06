export * from './reasons';
export * from './judge';
export * from './defaults';
export * from './words';
