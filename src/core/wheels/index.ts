export * from './quantity';
export * from './wheelFigures';
