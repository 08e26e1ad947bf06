export * from './Cautions';
export * from './ContactTable';
