export * from './UnrolledChart';
export * from './LinesChart';
export * from './useTurns';
export * from './BandsChart';
export * from './BandBar';
export * from './PointsChart';
