import type { IndexResult } from '../indexing';
import {
  solveMachining,
  type HubShare,
  type MachiningInput,
  type MachiningResult,
} from '../machining';
import { minimum } from '../numeric';
import type { ThicknessFigures } from '../thickness';
import type { Micrometres } from '../units';
import { averagesOf, atSamePlaces } from './places';
import { onTheirGauges, withReasons } from './readingNotes';
import { runoutLimit, type CornerRecord, type RunoutSet, type ThicknessSet } from './record';

/** A cut on either lathe; on the vehicle null where nothing was read in the present seat. */
export interface PlannedCuts {
  readonly onVehicle: MachiningResult | null;
  readonly bench: MachiningResult;
}

/** Hub part of order 1 from the mountings, or nothing where they cannot tell it. */
function hubShare(index: IndexResult | null): HubShare | undefined {
  const first = index?.separation.find(({ order }) => order === 1);
  if (!first?.separable) return undefined;
  return { kind: 'phasor', ...first.hub };
}

/**
 * Thickness, one value a place of the hub, as it stands with the rotor moved from one seat to
 * another. A move by whole places is exact; between places it is the trigonometric interpolation
 * of what was read. Lengths in micrometres. Source: handbook 2.
 */
function thicknessInSeat(
  averaged: readonly Micrometres[],
  { from, to }: { readonly from: number; readonly to: number },
  studs: number,
): readonly Micrometres[] {
  const n = averaged.length;
  const places = ((to - from) * n) / studs;
  return averaged.map((_, j) => interpolatedAt(averaged, j - places));
}

/** What evenly spaced values are at a place, counted in their spacings from the first. */
function interpolatedAt(values: readonly number[], place: number): number {
  const n = values.length;
  if (Number.isInteger(place)) return values[((place % n) + n) % n] ?? 0;
  const weight = (i: number): number => {
    const half = (Math.PI * (place - i)) / n;
    const lower = n % 2 === 0 ? Math.tan(half) : Math.sin(half);
    return Math.sin(n * half) / (n * lower);
  };
  return values.reduce((sum, value, i) => sum + value * weight(i), 0);
}

/** What a cut is planned from: a face and the thickness under it, place by place. */
interface CutProfile {
  readonly set: RunoutSet;
  readonly thickness: readonly Micrometres[];
  /** Thickness was read at other places than the face. */
  readonly isInterpolated: boolean;
}

/**
 * The newest runout in a seat, with the thickness turned into it; null where there is none. Where
 * thickness was read at other places it is what its own say there, less as much as that hides of
 * the thinnest place.
 */
function profileIn(
  seat: number,
  runouts: readonly RunoutSet[],
  thickness: ThicknessSet,
  { averaged, thin }: Pick<ThicknessFigures, 'averaged' | 'thin'>,
  studs: number,
): CutProfile | null {
  const set =
    runouts.findLast((each) => each.shift === seat && atSamePlaces(each, thickness)) ??
    runouts.findLast((each) => each.shift === seat && !each.angles);
  const places = set?.laps[0]?.length ?? 0;
  if (!set || places === 0) return null;
  const move = { from: thickness.shift, to: seat };
  const known = thicknessInSeat(averaged, move, studs);
  if (places === known.length) return { set, thickness: known, isInterpolated: false };
  const there = Array.from({ length: places }, (_, j) =>
    interpolatedAt(known, (j * known.length) / places),
  );
  const hidden = Math.max(0, minimum(there) - thin.value);
  return { set, thickness: there.map((value) => value - hidden), isInterpolated: true };
}

/**
 * Cuts on both lathes. The bench takes the rotor as it was read in any seat; on the vehicle it is
 * cut as it sits now: laps of another seat plan no cut. Source: handbook 9.
 */
export function planCuts(
  record: CornerRecord,
  runouts: readonly RunoutSet[],
  thickness: ThicknessSet | undefined,
  figures: ThicknessFigures | null,
  index: IndexResult | null,
): PlannedCuts | null {
  const { discard, machineTo } = record.limits;
  // A cut is planned on even positions from the chalk mark only.
  if (!thickness || !figures || !discard || thickness.angles) return null;
  const profile = (seat: number): CutProfile | null =>
    profileIn(seat, runouts, thickness, figures, record.studs);
  const present = profile(record.seat ?? runouts.at(-1)?.shift ?? thickness.shift);
  const together = profile(thickness.shift) ?? present;
  if (!together) return null;
  const { arborError, residual, ...allowances } = record.cut ?? {};
  const cut = (from: CutProfile, lathe: MachiningInput['lathe']): MachiningResult => {
    const input: MachiningInput = {
      ...allowances,
      outboard: averagesOf(from.set, runoutLimit(record.limits).value).averaged,
      thickness: from.thickness,
      gauge: thickness.gauge,
      limits: { discard: discard.value, machineTo: machineTo?.value },
      equalCuts: record.equalCuts,
      lathe,
    };
    const result = onTheirGauges(solveMachining(input), [from.set, thickness]);
    if (!from.isInterpolated) return result;
    const verdict = withReasons(result.verdict, [{ code: 'thickness-interpolated' }]);
    return { ...result, verdict };
  };
  return {
    onVehicle: present && cut(present, { kind: 'on-vehicle', residual }),
    bench: cut(together, { kind: 'bench', arborError, hub: hubShare(index) }),
  };
}
