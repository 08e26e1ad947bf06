import { diagnoseSolver } from './diagnose';
import { indexSolver } from './indexing';
import { machiningSolver } from './machining';
import { runoutSolver } from './runout';
import { plateSolver } from './plate';
import type { Solver } from './solver';
import { thicknessSolver } from './thickness';

/** Every solver that can be reached by name. */
export const SOLVERS: readonly Solver[] = [
  runoutSolver,
  thicknessSolver,
  indexSolver,
  plateSolver,
  machiningSolver,
  diagnoseSolver,
];

export const findSolver = (name: string): Solver | undefined =>
  SOLVERS.find((solver) => solver.name === name);
