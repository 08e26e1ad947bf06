export * from './solveRunout';
export { mostTurns, reachOfDial, type SlowTurn, type Turned } from './turns';
