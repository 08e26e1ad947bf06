import { shortestTurn } from '../indexing';
import { facingSense, fastenerName, type Corner, type Fastening } from '../readings';
import type { UnitSystem } from '../units';
import type { CornerRecord } from './record';

/** What an advice's words depend on beside its figures. */
export interface Wording {
  readonly corner: Corner;
  readonly studs: number;
  readonly fastening: Fastening;
  readonly units: UnitSystem;
  /** For the record: where it sits now is left out, as it will sit elsewhere. */
  readonly isRecord?: boolean | undefined;
}

/** The move from one shift to another as a technician facing the corner makes it. */
export function facingMove(
  record: Pick<CornerRecord, 'studs'>,
  sense: 1 | -1,
  from: number,
  to: number,
): { readonly studs: number; readonly direction: 'clockwise' | 'counter-clockwise' } {
  const turn = shortestTurn(from, to, record.studs);
  return {
    studs: turn.studs,
    direction: turn.sense * sense === 1 ? 'clockwise' : 'counter-clockwise',
  };
}

/** “1 stud”, “2 studs”. */
export const plural = (count: number, word: string): string =>
  `${count} ${word}${count === 1 ? '' : 's'}`;

/** "2 studs clockwise as you face it", or null when there is no move to make. */
export function sayMove(wording: Wording, from: number, to: number): string | null {
  const { studs, direction } = facingMove(wording, facingSense(wording.corner), from, to);
  if (studs === 0) return null;
  return `${plural(studs, fastenerName(wording.fastening))} ${direction} as you face it`;
}

/** "as first marked", or "2 studs clockwise of its first mark as you face it". */
export function saySeat(wording: Omit<Wording, 'units'>, shift: number): string {
  const { studs, direction } = facingMove(wording, facingSense(wording.corner), 0, shift);
  if (studs === 0) return 'as first marked';
  return `${plural(studs, fastenerName(wording.fastening))} ${direction} of its first mark as you face it`;
}

/**
 * A move in one frame of reference: where the mark goes counted from its first place, with the way
 * from where it sits now beside it where the two differ.
 */
export function sayMoveTo(wording: Wording, from: number, to: number): string {
  const now = sayMove(wording, from, to);
  if (now === null) return 'Leave the rotor where it sits';
  if (from === 0) return `Move the rotor ${now}`;
  const where = to === 0 ? 'back to its first mark' : `to ${saySeat(wording, to)}`;
  if (wording.isRecord) return `Move the rotor ${where}`;
  const short = now.replace(' as you face it', '');
  return `Move the rotor ${where} (from where it sits now: ${to === 0 ? now : short})`;
}
