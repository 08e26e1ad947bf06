import type { MachiningResult } from '@/core/machining';
import { COVERAGE } from '@/core/verdict';

/** One pass of a side: what it takes, and what the dial shows from first contact. */
export interface Pass {
  readonly number: number;
  readonly kind: 'rough' | 'finish';
  readonly depth: number;
  readonly dial: number;
}

/** The passes of a side with their dial settings, counted from first contact. Lengths in µm. */
export function dialSettings(passes: readonly number[]): Pass[] {
  let dial = 0;
  return passes.map((depth, i) => {
    dial += depth;
    return { number: i + 1, kind: i === passes.length - 1 ? 'finish' : 'rough', depth, dial };
  });
}

/** What a thickness measured after a cut says, in µm. */
export interface CutOutcome {
  readonly measured: number;
  readonly expected: number | null;
  /** Measured less expected; negative where more was taken than planned. */
  readonly apart: number | null;
  readonly state: 'within' | 'too-close' | 'beyond' | 'below-discard';
}

/** A plan is met when it is missed by no more than this, in µm. */
export const AS_PLANNED = 30;

/**
 * Judges a thickness measured after a cut against machine-to and discard with the guard band
 * of the micrometer (u in µm). Source: handbook 5, 9.
 */
export function judgeFinished(
  measured: number,
  expected: number | null,
  floors: { readonly machineTo: number; readonly discard: number },
  u: number,
): CutOutcome {
  const guard = COVERAGE * u;
  const apart = expected === null ? null : measured - expected;
  const common = { measured, expected, apart };
  if (measured - guard < floors.discard) return { ...common, state: 'below-discard' };
  if (measured - guard >= floors.machineTo) return { ...common, state: 'within' };
  return { ...common, state: measured + guard < floors.machineTo ? 'beyond' : 'too-close' };
}

/** Share of the cut budget that the plan uses; null where there is no budget left. */
export const budgetUsed = ({ removedFromThickest, budget }: MachiningResult): number | null =>
  budget > 0 ? removedFromThickest / budget : null;

/** What must not be machined. Source: handbook 9. */
export const NEVER_CUT: readonly string[] = [
  'cracked',
  'vent fins rusted through',
  'hot spots of hardened iron',
  'pits that do not clean up',
  'below discard thickness',
  'hat damaged',
  'drilled or coated where the maker forbids it',
];

/** What is done after a cut. Source: handbook 9. */
export const AFTER_CUT: readonly string[] = [
  'Give both faces a non-directional finish.',
  'Wash with hot soapy water and dry: fine metal embeds in the pads.',
  'Clean the mounting face.',
  'Measure thickness, then runout on the hub.',
];

/** What must hold before a tapered plate goes on. Source: handbook 7. */
export const PLATE_CAUTIONS: readonly string[] = [
  'Slip-on rotors only; hub and rotor each sound and clean.',
  'Never more than one plate on a hub.',
  'The plate stays with the hub: mark it at the chalk mark.',
];
