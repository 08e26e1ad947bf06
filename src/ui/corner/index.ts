export * from './CornerDrawing';
