export * from './solveRunout';
export { mostTurns, reachOfDial, type GaugeReach, type SlowTurn, type Turned } from './turns';
