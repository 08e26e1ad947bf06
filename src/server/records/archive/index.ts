export * from './document';
export * from './write';
export { planImport, type ImportPlan, type TablePlan } from './plan';
export * from './bring';
