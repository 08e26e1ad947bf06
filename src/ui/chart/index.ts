export * from './UnrolledChart';
export * from './LinesChart';
