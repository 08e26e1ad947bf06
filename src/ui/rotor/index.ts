export * from './RotorFace';
export { exaggerationOf, type Exaggeration } from './geometry';
