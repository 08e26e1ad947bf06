export * from './wear';
