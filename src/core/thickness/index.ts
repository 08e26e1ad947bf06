export * from './correct';
export * from './measureThickness';
export * from './solveThickness';
export * from './thinSpot';
export { FIRST_PLACES } from './firstPlaces';
export { reachOfMicrometer, settleFrom, type Settling } from './settle';
