export * from './solveMachining';
