export * from './Cautions';
export * from './ContactTable';
export * from './SignedTick';
