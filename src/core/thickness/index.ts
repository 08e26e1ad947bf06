export * from './correct';
export * from './measureThickness';
export * from './solveThickness';
export * from './thinSpot';
