export { SOURCES, type Source } from './apartCase';
export * from './benchWork';
export * from './case';
export * from './code';
export * from './find';
export * from './judge';
export { judgeApart, SOURCE_SAY, type ApartResult } from './judgeApart';
export * from './judgeDecide';
export * from './kept';
export {
  bestMinutes,
  judgeRead,
  type FigureBeside,
  type PlaceBeside,
  type ReadResult,
} from './judgeRead';
export * from './replay';
export * from './seek';
export * from './truth';
export { MACHINE_TO, RADIUS, setupOf, WAYS, type Way, type WayOutcome } from './ways';
export { DISCARD, NOMINAL } from './draw';
export * from './worth';
