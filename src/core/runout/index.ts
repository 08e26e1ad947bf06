export * from './solveRunout';
export { mostTurns, reachOfDial, type SlowTurn, type Turned } from './turns';
export { sweptRunout, type SweptRunout, type SweptSpot } from './swept';
