export * from './rotorFace';
