export * from './shifts';
export * from './separate';
export * from './monteCarlo';
export * from './solveIndex';
export * from './checkMounting';
export * from './seatDoubt';
