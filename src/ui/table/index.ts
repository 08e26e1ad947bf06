export * from './CardTable';
