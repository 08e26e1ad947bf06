export * from './drawn';
export * from './seen';
