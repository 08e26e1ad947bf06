export * from './record';
export * from './rawSet';
export * from './said';
export * from './assess';
export * from './decide';
export * from './sentences';
export * from './findings';
export * from './asFound';
