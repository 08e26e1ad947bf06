export * from './RotorFace';
export type { RotorFaceProps, RotorMark, RotorMove } from './rotorFaceProps';
export { exaggerationOf, pointAt, SIDE, type Exaggeration } from '@/core/drawing';
export * from './DrumFace';
