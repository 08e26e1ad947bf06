import { sweptReadings, type SweepRecord } from '@/core/assessment';
import type { NewSet, SetDetails, SweptLapForm, TypedReading } from '@/core/contracts';
import { readSweep, SWEEP_PLACES } from '@/core/readings';
import { lengthUnitOf, parseLength } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import type { KeptWrite } from '@/ui/keeper';
import type { BenchReading, BenchSet } from './set';

/** A write that this device holds, as far as the bench reads it. */
export interface HeldWrite {
  readonly name: string;
  readonly input: unknown;
}

/** A set as it is begun here, before the server has said what it knows of its gauge. */
export function begunSet(plan: NewSet & { readonly id: string }): BenchSet {
  const isMicrometer = plan.kind === 'thickness';
  const gauge = isMicrometer ? WORKSHOP_DEFAULTS.micrometer : WORKSHOP_DEFAULTS.dialIndicator;
  return {
    ...plan,
    laps: plan.laps ?? 1,
    circle: plan.circle ?? 'outer',
    angles: plan.angles ?? null,
    torqueNm: plan.torqueNm ?? null,
    endPlayUm: plan.endPlayUm ?? null,
    zeroErrorUm: plan.zeroErrorUm ?? null,
    rotorCelsius: plan.rotorCelsius ?? null,
    gaugeId: plan.gaugeId ?? null,
    isVirtual: plan.isVirtual ?? false,
    radiusUm: plan.kind === 'hub' ? WORKSHOP_DEFAULTS.hubFaceRadius : null,
    resolutionUm: gauge.resolution,
    repeatabilityUm: gauge.repeatability,
    mpeUm: 'mpe' in gauge ? gauge.mpe : null,
    isAside: false,
    sweeps: plan.sweep ? [] : null,
    ...(plan.sweep && { positions: SWEEP_PLACES[0] }),
    readings: [],
  };
}

/** A typed reading as the bench shows it, or null where it is none. */
export function readingOf({ lap, position, text, unit }: TypedReading): BenchReading | null {
  const parsed = text === null ? null : parseLength(text, lengthUnitOf(unit));
  if (!parsed?.ok) return null;
  const { value, text: typed, unit: own } = parsed.length;
  return { lap, position, valueUm: value as number, text: typed, unit: own };
}

const changed = (
  sets: readonly BenchSet[],
  id: string,
  change: (set: BenchSet) => BenchSet,
): readonly BenchSet[] => sets.map((set) => (set.id === id ? change(set) : set));

function withTyped(set: BenchSet, typed: TypedReading): BenchSet {
  const others = set.readings.filter(
    ({ lap, position }) => lap !== typed.lap || position !== typed.position,
  );
  const own = readingOf(typed);
  return { ...set, readings: own ? [...others, own] : others };
}

/** A set with one lap swept; one that stands already stays. */
export function withSweep(set: BenchSet, lap: number, sweep: SweepRecord): BenchSet {
  const swept = set.sweeps ?? [];
  if (lap !== swept.length) return set;
  const wanted = lap === 0 ? undefined : set.positions;
  const read = readSweep(sweep, sweep.marks.length - 1, wanted);
  if (!read.ok) return set;
  const sweeps = [...swept, sweep];
  const { positions } = read.lap;
  return { ...set, sweeps, positions, readings: sweptReadings(sweeps, positions) };
}

/** One write laid over the sets; one of another kind changes nothing. */
function withWrite(sets: readonly BenchSet[], { name, input }: HeldWrite): readonly BenchSet[] {
  // What waits under these names was written by the functions of `writes.ts`.
  switch (name) {
    case 'set-begin': {
      const plan = input as NewSet & { readonly id: string };
      return sets.some(({ id }) => id === plan.id) ? sets : [...sets, begunSet(plan)];
    }
    case 'reading': {
      const typed = input as TypedReading;
      return changed(sets, typed.setId, (set) => withTyped(set, typed));
    }
    case 'set-lap': {
      const { setId, has } = input as { readonly setId: string; readonly has: number };
      return changed(sets, setId, (set) => ({ ...set, laps: Math.max(set.laps, has + 1) }));
    }
    case 'set-sweep': {
      const { setId, lap, sweep } = input as SweptLapForm;
      return changed(sets, setId, (set) => withSweep(set, lap, sweep));
    }
    case 'set-details': {
      const { setId, ...details } = input as SetDetails;
      return changed(sets, setId, (set) => ({ ...set, ...details }));
    }
    case 'set-aside': {
      const { setId, reason } = input as { readonly setId: string; readonly reason: string };
      return changed(sets, setId, (set) => ({ ...set, isAside: true, setAsideReason: reason }));
    }
    case 'set-take-back': {
      const { setId } = input as { readonly setId: string };
      return changed(sets, setId, (set) => ({ ...set, isAside: false }));
    }
    default:
      return sets;
  }
}

/** Sets with everything laid over them that this device holds and the server may not have yet. */
export const withHeld = (
  sets: readonly BenchSet[],
  held: readonly HeldWrite[],
): readonly BenchSet[] => held.reduce(withWrite, sets);

/**
 * What a new reading is written over: what is on the screen, or what the first write that still
 * waits at its place was written over. That one may never reach the server: the new one stands for it.
 */
export function overWaiting(
  writes: readonly KeptWrite[],
  place: string,
  shown: string | null,
): string | null {
  const first = writes.find((each) => each.place === place && each.status.state === 'waiting');
  // What waits at the place of a reading was written by `writeReading`.
  return first ? ((first.input as TypedReading).was ?? null) : shown;
}

/** Whether a write belongs to the bench of a corner: it begins a set there, or changes one of it. */
export function isOfBench(
  { name, input }: HeldWrite,
  sets: readonly BenchSet[],
  bench: { readonly corner: string; readonly phase: string },
): boolean {
  const own = input as Partial<NewSet> & { readonly setId?: string };
  if (name === 'set-begin') return own.corner === bench.corner && own.phase === bench.phase;
  return sets.some(({ id }) => id === own.setId);
}
