export * from './rotorFace';
export * from './drumFace';
