export * from './correct';
export * from './measureThickness';
export * from './solveThickness';
export * from './thinSpot';
export { FIRST_PLACES, isOnRaster, RASTER, type Settling } from './settle';
