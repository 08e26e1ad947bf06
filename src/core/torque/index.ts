export * from './star';
export * from './fasteners';
export * from './challenge';
