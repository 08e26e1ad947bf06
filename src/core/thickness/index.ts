export * from './correct';
export * from './measureThickness';
export * from './solveThickness';
export * from './thinSpot';
export { FIRST_PLACES, reachOfMicrometer, settleFrom, type Settling } from './settle';
