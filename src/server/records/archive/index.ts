export * from './document';
export * from './write';
export * from './read';
