import { trueRunout, trueThicknessAt, type BenchFaults, type VirtualCorner } from '../bench';
import { waveAt } from '../harmonics';
import { argument } from '../numeric';
import { toDegrees, toRadians, wrapDegrees, type Degrees, type Micrometres } from '../units';

/** What is true at the corner of a case, the bench in order. */
export interface CornerTruth {
  readonly runout: Micrometres;
  /** Where the tilt of the outboard face stands out most (first order), degrees from the chalk mark. */
  readonly highDeg: Degrees;
  readonly variation: Micrometres;
  readonly least: Micrometres;
}

const TURN = Array.from({ length: 360 }, (_, i) => i);

/** The true face at a shift in µm by degrees from the chalk mark, with what tilts the rotor there. */
export function faceOf(
  corner: VirtualCorner,
  faults: BenchFaults,
  shift: number,
): (angle: Degrees) => Micrometres {
  const wave = trueRunout(corner, shift);
  const tilts = [faults.dirt?.shift === shift ? faults.dirt : null, faults.nuts ?? null];
  return (angle) =>
    tilts.reduce(
      (sum, tilt) =>
        sum + (tilt ? tilt.amplitude * Math.cos(toRadians(angle) - toRadians(tilt.at)) : 0),
      waveAt(wave, toRadians(angle)),
    );
}

/** What a face is made of at a shift, each alone: hub, rotor, and what tilts it there. */
export function partsOf(
  corner: VirtualCorner,
  faults: BenchFaults,
  shift: number,
): {
  readonly of: 'hub' | 'rotor' | 'dirt' | 'nuts';
  readonly face: (angle: Degrees) => Micrometres;
}[] {
  const bare = { ...corner, hub: [], rotor: [] };
  return [
    { of: 'hub', face: faceOf({ ...corner, rotor: [] }, {}, shift) },
    { of: 'rotor', face: faceOf({ ...corner, hub: [] }, {}, shift) },
    ...(faults.dirt?.shift === shift
      ? [{ of: 'dirt' as const, face: faceOf(bare, { dirt: faults.dirt }, shift) }]
      : []),
    ...(faults.nuts
      ? [{ of: 'nuts' as const, face: faceOf(bare, { nuts: faults.nuts }, shift) }]
      : []),
  ];
}

/** Highest less lowest of a face. */
export function swingOf(face: (angle: Degrees) => Micrometres): Micrometres {
  const all = TURN.map(face);
  return Math.max(...all) - Math.min(...all);
}

/** True runout in every mounting, the bench in order. */
export const runoutByShift = (corner: VirtualCorner): Micrometres[] =>
  Array.from({ length: corner.studs }, (_, shift) => swingOf(faceOf(corner, {}, shift)));

/** Thickness variation and least thickness of a virtual corner. */
export function thicknessOf(corner: VirtualCorner): Pick<CornerTruth, 'variation' | 'least'> {
  const thickness = TURN.map((angle) => trueThicknessAt(corner, 0, toRadians(angle)));
  const least = Math.min(...thickness);
  return { variation: Math.max(...thickness) - least, least };
}

/** Runout, high spot, thickness variation and least thickness of a virtual corner at shift 0. */
export function truthOf(corner: VirtualCorner): CornerTruth {
  const wave = trueRunout(corner, 0);
  const first = wave.find(({ order }) => order === 1)?.z ?? { re: 1, im: 0 };
  return {
    runout: swingOf(faceOf(corner, {}, 0)),
    highDeg: wrapDegrees(toDegrees(argument(first))),
    ...thicknessOf(corner),
  };
}
