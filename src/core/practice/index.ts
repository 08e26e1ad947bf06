export { SOURCES, type Source } from './apartCase';
export * from './benchWork';
export * from './case';
export * from './code';
export * from './judge';
export * from './judgeApart';
export {
  bestMinutes,
  judgeRead,
  type FigureBeside,
  type PlaceBeside,
  type ReadResult,
} from './judgeRead';
export * from './truth';
