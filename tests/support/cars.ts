import { KNOWLEDGE } from '../../src/core/contracts';
import { findCaseOf, SEEDS, type FindCase } from '../../src/core/practice';

/** So many whole cars, seeds far apart. */
export const drawCars = (count: number, step: number): FindCase[] =>
  Array.from({ length: count }, (_, i) =>
    findCaseOf({ level: 'find', subject: 'both', seed: (i * step + 17) % SEEDS }, KNOWLEDGE),
  );
