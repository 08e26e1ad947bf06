export * from './benchWork';
export * from './code';
export * from './judgeRead';
export * from './readCase';
