export * from './quantity';
export * from './length';
export * from './parseLength';
export * from './formatLength';
export * from './temperature';
export * from './speed';
export * from './torque';
export * from './pressure';
