export * from './delays';
export * from './secrets';
export * from './sessions';
