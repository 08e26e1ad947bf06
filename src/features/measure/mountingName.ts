import { sayMove } from '@/core/assessment';
import { fastenerName } from '@/core/readings';
import type { BenchCorner } from './model';

/** "as first marked" or the move from there, as you face the corner. */
export const mountingName = (corner: BenchCorner, shift: number): string =>
  sayMove(corner, 0, shift) ?? `as first marked (${fastenerName(corner.fastening)} 1)`;
