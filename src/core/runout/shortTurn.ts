import type { Closure } from '../readings';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS, type Reason } from '../verdict';
import type { SlowTurn, TurnedRunout } from './turns';

/** The laps beside which a slow turn was taken: uncertainty of an averaged reading, and how they closed. */
interface Laps {
  readonly sigma: Micrometres;
  readonly closure: Closure | null;
}

/** How far a slow turn may show less than the places did, in combined standard uncertainties. */
const SHORT = 4;

/**
 * Why a slow turn does not count: it shows less than the places alone, so it was not stopped at its
 * highest and lowest. No runout is smaller as it turns than at places of the same turn. Null where it
 * counts, or where the difference may be chance. Not in the handbook; `SHORT` calls fewer than one
 * sound turn of a thousand short.
 */
function whyShort(
  turn: SlowTurn,
  { turned }: TurnedRunout,
  { sigma, closure }: Laps,
  read: Micrometres,
): Reason | null {
  // A lap that was not closed may have drifted as laps do.
  const moved = closure
    ? Math.max(0, ...closure.errors.map(Math.abs))
    : 2 * WORKSHOP_DEFAULTS.drift;
  const allowed = SHORT * Math.hypot(turned.uncertainty, Math.SQRT2 * sigma) + moved;
  return read - turned.value > allowed
    ? { code: 'turn-short', turned: turn.high - turn.low, read }
    : null;
}

/** The slow turns that count, and why each other does not. */
export function turnsThatCount(
  turns: readonly SlowTurn[],
  laps: Laps,
  join: (turns: readonly SlowTurn[]) => TurnedRunout,
  surely: Micrometres,
): { readonly turns: readonly SlowTurn[]; readonly short: readonly Reason[] } {
  const taken = turns.map((turn) => ({
    turn,
    why: whyShort(turn, join([turn]), laps, surely),
  }));
  return {
    turns: taken.flatMap(({ turn, why }) => (why ? [] : [turn])),
    short: taken.flatMap(({ why }) => why ?? []),
  };
}
