export * from './UnrolledChart';
