export * from './VerdictMark';
export * from './Figure';
