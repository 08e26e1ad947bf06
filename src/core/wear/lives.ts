import type { Micrometres } from '../units';

/** What happened to the rotor of a corner in one job, as far as its life is told from it. */
export interface LifeLine {
  readonly number: number;
  readonly km: number;
  /** Thinnest place before and after the work, in µm; null where it was not measured. */
  readonly before: Micrometres | null;
  readonly after: Micrometres | null;
  readonly what: 'measured' | 'cut' | 'renewed';
}

/** Where something happened: by job and odometer in km. */
export interface At {
  readonly number: number;
  readonly km: number;
}

/** The thinnest place as it was measured at a distance. */
export interface Measured {
  readonly km: number;
  readonly thickness: Micrometres;
}

/** One rotor of a corner, from when it was fitted to when it was taken off. */
export interface RotorOfCorner {
  /** Counted from the first that is on record at the corner. */
  readonly count: number;
  /** Null for one that was there when the vehicle was first measured. */
  readonly fitted: At | null;
  /** Null for the one that is on the vehicle. */
  readonly removed: At | null;
  readonly thicknesses: readonly Measured[];
  /** The last thickness that still holds; null where a cut since then was not measured. */
  readonly latest: Measured | null;
  readonly cuts: readonly (At & { readonly removed: Micrometres | null })[];
}

const at = ({ number, km }: LifeLine): At => ({ number, km });

const measured = (km: number, thickness: Micrometres | null): Measured[] =>
  thickness === null ? [] : [{ km, thickness }];

/** A rotor of which nothing is known but that it is there. */
const freshRotor = (
  count: number,
  fitted: At | null,
  read: readonly Measured[],
): RotorOfCorner => ({
  count,
  fitted,
  removed: null,
  thicknesses: read,
  latest: read.at(-1) ?? null,
  cuts: [],
});

/** A rotor with what one job added to its life; the job did not renew it. */
function livedOn(rotor: RotorOfCorner, line: LifeLine): RotorOfCorner {
  const { km, before, after, what } = line;
  const [came, left] = [measured(km, before), measured(km, what === 'cut' ? after : null)];
  const thicknesses = [...rotor.thicknesses, ...came, ...left];
  if (what !== 'cut') return { ...rotor, thicknesses, latest: came[0] ?? rotor.latest };
  const removed = before === null || after === null ? null : before - after;
  return {
    ...rotor,
    thicknesses,
    latest: left[0] ?? null,
    cuts: [...rotor.cuts, { ...at(line), removed }],
  };
}

/**
 * The rotors that a corner has had, in order: a new one begins where one was renewed. `lines` are
 * in the order of the odometer. Source: handbook 16.
 */
export function rotorsOfCorner(lines: readonly LifeLine[]): RotorOfCorner[] {
  if (lines.length === 0) return [];
  const rotors: RotorOfCorner[] = [];
  let current = freshRotor(1, null, []);
  for (const line of lines) {
    current = livedOn(current, line);
    if (line.what !== 'renewed') continue;
    rotors.push({ ...current, removed: at(line) });
    current = freshRotor(current.count + 1, at(line), measured(line.km, line.after));
  }
  return [...rotors, current];
}
