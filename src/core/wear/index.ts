export * from './wear';
export * from './lives';
export * from './words';
export * from './forecast';
