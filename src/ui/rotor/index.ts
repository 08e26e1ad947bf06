export * from './RotorFace';
export { exaggerationOf, pointAt, SIDE, type Exaggeration } from '@/core/drawing';
export * from './DrumFace';
