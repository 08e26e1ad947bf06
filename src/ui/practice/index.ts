export * from './CarSays';
