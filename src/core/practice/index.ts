export { SOURCES, type Source } from './apartCase';
export * from './benchWork';
export * from './case';
export * from './code';
export * from './judgeApart';
export * from './judgeRead';
export * from './truth';
