export * from './rotorFace';
export * from './outline';
export * from './drumFace';
