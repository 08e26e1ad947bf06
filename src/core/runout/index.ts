export * from './solveRunout';
export { mostTurns, type SlowTurn, type Turned } from './turns';
