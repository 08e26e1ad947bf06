export * from './lineFormat';
export * from './port';
