export * from './benchWork';
export * from './code';
export * from './judgeApart';
export * from './judgeRead';
export * from './readCase';
