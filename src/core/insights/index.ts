export * from './interval';
export * from './stages';
export * from './tally';
export * from './summary';
