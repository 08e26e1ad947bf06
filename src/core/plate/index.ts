export * from './solvePlate';
