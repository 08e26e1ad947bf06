export * from './make';
export * from './check';
export * from './restore';
export * from './copies';
export * from './transfer';
export type { Manifest } from './manifest';
export { folderPass, isFromTheFolder } from '../shopKey';
