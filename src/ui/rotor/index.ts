export { RotorBase } from './RotorBase';
export { RotorFace } from './RotorFace';
export { RotorOutline } from './RotorOutline';
export type { RotorFaceProps, RotorMark, RotorMove } from './rotorFaceProps';
export { exaggerationOf, pointAt, SIDE, type Exaggeration } from '@/core/drawing';
export * from './DrumFace';
