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

/** One rotor of a corner, from when it was fitted to when it was taken off. */
export interface RotorOfCorner {
  /** Counted from the first that is on record at the corner. */
  readonly count: number;
  /** Null for one that was there when the vehicle was first measured. */
  readonly fitted: At | null;
  /** Null for the one that is on the vehicle. */
  readonly removed: At | null;
  readonly thicknesses: readonly { readonly km: number; readonly thickness: Micrometres }[];
  readonly cuts: readonly (At & { readonly removed: Micrometres | null })[];
}

const at = ({ number, km }: LifeLine): At => ({ number, km });

/**
 * The rotors that a corner has had, in order: a new one begins where one was renewed. `lines` are
 * in the order of the odometer. Source: handbook 16.
 */
export function rotorsOfCorner(lines: readonly LifeLine[]): RotorOfCorner[] {
  const rotors: RotorOfCorner[] = [];
  let current: RotorOfCorner = {
    count: 1,
    fitted: null,
    removed: null,
    thicknesses: [],
    cuts: [],
  };
  const read = (km: number, thickness: Micrometres | null): RotorOfCorner['thicknesses'] =>
    thickness === null ? [] : [{ km, thickness }];
  for (const line of lines) {
    const { km, before, after, what } = line;
    const found = { ...current, thicknesses: [...current.thicknesses, ...read(km, before)] };
    if (what === 'renewed') {
      rotors.push({ ...found, removed: at(line) });
      current = {
        count: current.count + 1,
        fitted: at(line),
        removed: null,
        thicknesses: read(km, after),
        cuts: [],
      };
      continue;
    }
    const removed = before === null || after === null ? null : before - after;
    current = {
      ...found,
      thicknesses: [...found.thicknesses, ...(what === 'cut' ? read(km, after) : [])],
      cuts: what === 'cut' ? [...found.cuts, { ...at(line), removed }] : found.cuts,
    };
  }
  return lines.length === 0 ? [] : [...rotors, current];
}
