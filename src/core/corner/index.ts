export * from './drawn';
