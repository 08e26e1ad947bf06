import { beyondPlace, lapsOf, type AxleLimits, type RawSet } from '@/core/assessment';
import type { VirtualBench } from '@/core/bench';
import type { LineFormat } from '@/core/gauges';
import type { Carried } from '@/core/job';
import { suggestSlip, type Slip } from '@/core/harmonics';
import {
  expandDial,
  expandThickness,
  LENGTH_KINDS,
  readTyped,
  type Corner,
  type Fastening,
  type LengthKind,
} from '@/core/readings';
import {
  fieldUnit,
  lengthUnitOf,
  type LengthRole,
  type LengthUnit,
  type UnitSystem,
} from '@/core/units';
import { withHeld, type HeldWrite } from './held';
import type { BenchReading, BenchSet, Phase } from './set';

export type { BenchReading, BenchSet, Phase };

/** What the bench needs to know of a gauge. */
export interface BenchGauge {
  readonly id: string;
  readonly name: string;
  readonly kind: 'dial' | 'micrometer';
  readonly unit: string | null;
  readonly isUsual: boolean;
  /** Out of use: no new set is read with it. */
  readonly retiredAt: Date | null;
  readonly lineFormat: LineFormat | null;
}

/** The corner that the bench stands at. */
export interface BenchCorner {
  readonly jobId: string;
  /** Whose corner it is: a plate, or the number of a quick check. */
  readonly whose?: string;
  readonly corner: Corner;
  readonly phase: Phase;
  readonly fastening: Fastening;
  readonly studs: number;
  readonly allowedShifts: readonly number[] | null;
  readonly limits: AxleLimits;
  /** A composite rotor: judged by its marks, not by thickness. */
  readonly isComposite?: boolean | undefined;
  /** Of a quick check: its discard thickness may stay unknown. */
  readonly isCheck?: boolean | undefined;
  /** A two-piece rotor, its ring floating on buttons. */
  readonly isFloating?: boolean;
  readonly units: UnitSystem;
  readonly gauges: readonly BenchGauge[];
  /** Positions that the shop begins its sets with, where it has chosen. */
  readonly usualPositions?: number | null;
  /** What is done about the rotor is answered by who reads it: the bench does not say it. */
  readonly isAnswered?: boolean;
  /** A corner of practice: every set is read with virtual gauges at this bench. */
  readonly practice?: VirtualBench;
  /** That corner is of a job in the records of practice: there its readings count as a real gauge’s do. */
  readonly isPracticeJob?: boolean;
  /** Only this kind of set is asked for here. */
  readonly only?: 'runout' | 'thickness' | undefined;
  /** In a case that asks for the corner as it is marked no other seat is read. */
  readonly isSeatFixed?: boolean | undefined;
  /** What is known of how the corner is prepared, with where it comes from. */
  readonly carried?: Carried;
}

/** A place to read: the closing reading of a lap stands at the number of positions. */
export interface Cursor {
  readonly lap: number;
  readonly position: number;
}

/** What happens on the bench, as data. */
export interface BenchState {
  readonly sets: readonly BenchSet[];
  readonly currentId: string | null;
  /** Null when the set is read to its end. */
  readonly cursor: Cursor | null;
  readonly draft: string;
  readonly error: string | null;
  /** Nobody has picked, typed or pressed anything yet: the kind of set it was opened for. */
  readonly opened: { readonly wanted: BenchSet['kind'] | undefined } | null;
}

export type BenchEvent =
  | { readonly type: 'pick-set'; readonly id: string | null }
  | { readonly type: 'add-set'; readonly set: BenchSet }
  | { readonly type: 'replace-set'; readonly set: BenchSet }
  /** The page was loaded anew: the sets on file, and what this device holds of them. */
  | {
      readonly type: 'sync';
      readonly sets: readonly BenchSet[];
      readonly held: readonly HeldWrite[];
    }
  /** What this device holds of the sets has changed. */
  | { readonly type: 'hold'; readonly held: readonly HeldWrite[] }
  | { readonly type: 'add-lap'; readonly id: string }
  | { readonly type: 'pick-place'; readonly cursor: Cursor }
  | { readonly type: 'step'; readonly by: 1 | -1 }
  | { readonly type: 'type'; readonly text: string }
  | { readonly type: 'refuse'; readonly message: string }
  | { readonly type: 'read'; readonly reading: BenchReading }
  | { readonly type: 'skip' };

export const KIND_NAME: Readonly<Record<RawSet['kind'], string>> = {
  runout: 'Runout',
  thickness: 'Thickness',
  hub: 'Hub face',
};

/** Whether a set is read with the dial indicator: runout of the rotor or of the hub face. */
export const isDialSet = ({ kind }: Pick<RawSet, 'kind'>): boolean => kind !== 'thickness';

export const roleOf = (set: Pick<RawSet, 'kind'>): LengthRole =>
  isDialSet(set) ? 'deviation' : 'size';
export const gaugeOf = (
  set: Pick<BenchSet, 'gaugeId'>,
  { gauges }: Pick<BenchCorner, 'gauges'>,
): BenchGauge | undefined => gauges.find(({ id }) => id === set.gaugeId);

/** The unit of a bare figure: the gauge’s own, else the shop’s. */
export const unitOf = (
  set: Pick<BenchSet, 'kind' | 'gaugeId'>,
  corner: Pick<BenchCorner, 'units' | 'gauges'>,
): LengthUnit =>
  lengthUnitOf(gaugeOf(set, corner)?.unit ?? '') ?? fieldUnit(corner.units, roleOf(set));
const kindOf = (set: Pick<RawSet, 'kind'>): LengthKind =>
  isDialSet(set) ? LENGTH_KINDS.deviation : LENGTH_KINDS.thickness;

/** The last place of a lap: runout closes where it began. */
const lastPlace = (set: Pick<RawSet, 'kind' | 'positions'>): number =>
  isDialSet(set) ? set.positions : set.positions - 1;

export const readingAt = (set: BenchSet, { lap, position }: Cursor): BenchReading | undefined =>
  set.readings.find((reading) => reading.lap === lap && reading.position === position);

/** Whether the lap's every position is read; the closing reading may be missing. */
export const isLapWhole = (set: BenchSet, lap: number): boolean =>
  lapsOf(set)[lap]?.every((value) => value !== null) ?? false;

/** The first place that was not read yet; null when all laps are whole. */
export function firstOpen(set: BenchSet): Cursor | null {
  for (let lap = 0; lap < set.laps; lap += 1) {
    for (let position = 0; position < set.positions; position += 1) {
      if (!readingAt(set, { lap, position })) return { lap, position };
    }
  }
  return null;
}

/** How many places of its laps are not read yet. */
export const openPlaces = (set: BenchSet): number =>
  set.laps * set.positions - set.readings.filter(({ position }) => position < set.positions).length;

/** After the highest reading of a slow turn its lowest; before the first of them the end of the laps. */
function neighbourBeyond(set: RawSet, { position }: Cursor, by: 1 | -1): Cursor | null {
  const own = beyondPlace(set, position);
  if (by === 1)
    return own?.of === 'turn' && own.end === 'high' ? { lap: 0, position: position + 1 } : null;
  const isFirst = own?.of !== 'turn' || (own.turn === 0 && own.end === 'high');
  return isFirst
    ? { lap: set.laps - 1, position: lastPlace(set) }
    : { lap: 0, position: position - 1 };
}

/** The place after or before one; null past the end, the same at the beginning. */
export function neighbour(set: RawSet, { lap, position }: Cursor, by: 1 | -1): Cursor | null {
  const next = position + by;
  const beyond = beyondPlace(set, position);
  if (beyond) return neighbourBeyond(set, { lap, position }, by);
  if (next > lastPlace(set)) return lap + 1 < set.laps ? { lap: lap + 1, position: 0 } : null;
  if (next >= 0) return { lap, position: next };
  return lap > 0 ? { lap: lap - 1, position: lastPlace(set) } : { lap, position };
}

const draftFor = (set: BenchSet | undefined, cursor: Cursor | null): string =>
  (set && cursor && readingAt(set, cursor)?.text) || '';

export const currentSet = (state: BenchState): BenchSet | undefined =>
  state.sets.find(({ id }) => id === state.currentId);

const at = (state: BenchState, cursor: Cursor | null): BenchState => ({
  ...state,
  cursor,
  draft: draftFor(currentSet(state), cursor),
  error: null,
});

function withSet(state: BenchState, id: string, change: (set: BenchSet) => BenchSet): BenchState {
  return { ...state, sets: state.sets.map((set) => (set.id === id ? change(set) : set)) };
}

function withReading(set: BenchSet, reading: BenchReading): BenchSet {
  const others = set.readings.filter(
    ({ lap, position }) => lap !== reading.lap || position !== reading.position,
  );
  return { ...set, readings: [...others, reading] };
}

/** After a reading the next place that is not read yet is asked for; none when all are. */
function afterReading(state: BenchState, reading: BenchReading): BenchState {
  const set = currentSet(state);
  if (!set) return state;
  let next = neighbour(set, reading, 1);
  while (next && readingAt(set, next)) next = neighbour(set, next, 1);
  return at(state, next);
}

function pickSet(state: BenchState, id: string | null): BenchState {
  const picked = { ...state, currentId: id };
  const set = currentSet(picked);
  return at(picked, set ? firstOpen(set) : null);
}

/** A reading just taken that a slip of the hand would explain, and where it stands. */
export interface DoubtedReading {
  readonly place: Cursor;
  readonly typed: string;
  readonly slip: Slip;
}

/** The reading before the cursor, or the last of a set that is read, where a slip would explain how far off it stands. */
export function doubtedReading(
  set: BenchSet,
  cursor: Cursor | null,
  corner: Pick<BenchCorner, 'units' | 'gauges'>,
): DoubtedReading | null {
  // What a gauge sent by itself nobody mistyped.
  if (set.sweeps) return null;
  const last = { lap: set.laps - 1, position: set.positions - 1 };
  const place = cursor ? neighbour(set, cursor, -1) : last;
  const typed = place && readingAt(set, place);
  // A closing reading, a turn and a place between the others have nothing before them to go by.
  if (!place || !typed || typed.position >= set.positions) return null;
  if (cursor && beyondPlace(set, cursor.position)) return null;
  const valueAt = (back: number): number | undefined =>
    readingAt(set, { lap: place.lap, position: place.position - back })?.valueUm;
  const isOther = ({ lap, position }: BenchReading): boolean =>
    lap !== place.lap || position !== place.position;
  const others = set.readings.filter(isOther);
  const slip = suggestSlip({
    text: typed.text,
    unit: lengthUnitOf(typed.unit) ?? unitOf(set, corner),
    before: [valueAt(1), valueAt(2)].filter((value) => value !== undefined),
    samePlace: others
      .filter(({ position }) => position === place.position)
      .map(({ valueUm }) => valueUm),
    others: others.map(({ valueUm }) => valueUm),
    resolution: set.resolutionUm,
  });
  return slip && { place, typed: typed.text, slip };
}

/** The bench with its sets as they stand now; where it is being read stays as it is. */
function synced(state: BenchState, sets: readonly BenchSet[]): BenchState {
  const next = { ...state, sets };
  const set = currentSet(next);
  // A set that is picked before the page has it comes with the next load.
  if (!set) return next;
  const { cursor } = state;
  // What the field shows of a reading follows it, unless something else is being typed.
  const isUntouched = state.draft === draftFor(currentSet(state), cursor);
  const isSame = cursor !== null || firstOpen(set) === null;
  if (!isSame) return { ...next, cursor: firstOpen(set), draft: '' };
  return isUntouched ? { ...next, draft: draftFor(set, cursor) } : next;
}

/** One step of the bench. What this device holds is known after the page: an untouched bench opens there. */
export function reduce(state: BenchState, event: BenchEvent): BenchState {
  if (event.type === 'sync') return synced(state, withHeld(event.sets, event.held));
  if (event.type !== 'hold') return step(state, event);
  const sets = withHeld(state.sets, event.held);
  return state.opened ? openBench(sets, state.opened.wanted) : synced(state, sets);
}

function step(
  before: BenchState,
  event: Exclude<BenchEvent, { type: 'sync' | 'hold' }>,
): BenchState {
  const state = { ...before, opened: null };
  const set = currentSet(state);
  switch (event.type) {
    case 'pick-set':
      return pickSet(state, event.id);
    case 'add-set':
      return pickSet({ ...state, sets: [...state.sets, event.set] }, event.set.id);
    case 'replace-set':
      return withSet(state, event.set.id, () => event.set);
    case 'add-lap': {
      const grown = withSet(state, event.id, (each) => ({ ...each, laps: each.laps + 1 }));
      return pickSet(grown, event.id);
    }
    case 'pick-place':
      return at(state, event.cursor);
    case 'step': {
      if (!set) return state;
      if (!state.cursor) {
        const last = { lap: set.laps - 1, position: lastPlace(set) };
        return event.by === -1 ? at(state, last) : state;
      }
      return at(state, neighbour(set, state.cursor, event.by) ?? state.cursor);
    }
    case 'type':
      return { ...state, draft: event.text, error: null };
    case 'refuse':
      return { ...state, error: event.message };
    case 'read':
      if (!set) return state;
      return afterReading(
        withSet(state, set.id, (each) => withReading(each, event.reading)),
        event.reading,
      );
    case 'skip': {
      if (!set || !state.cursor) return state;
      // A slow turn is left out whole.
      const isBeyond = beyondPlace(set, state.cursor.position) !== null;
      return at(state, isBeyond ? null : neighbour(set, state.cursor, 1));
    }
  }
}

/** What was typed written out: a short entry in full. */
export function writtenOut(
  set: BenchSet,
  cursor: Cursor,
  draft: string,
  corner: Pick<BenchCorner, 'units' | 'gauges'>,
): string {
  const unit = unitOf(set, corner);
  const context = { unit, resolution: set.resolutionUm };
  if (isDialSet(set)) {
    return expandDial(draft, { ...context, previous: null });
  }
  const before = [neighbour(set, cursor, -1), { lap: 0, position: cursor.position }]
    .flatMap((place) => (place ? (readingAt(set, place) ?? []) : []))
    .find((reading) => reading.unit === unit);
  return expandThickness(draft, { ...context, previous: before?.text ?? null });
}

/** What Enter does with the text in the field. */
export function enter(
  state: BenchState,
  corner: Pick<BenchCorner, 'units' | 'gauges'>,
  typed = state.draft,
): BenchEvent {
  const set = currentSet(state);
  const { cursor } = state;
  if (!set || !cursor) return { type: 'skip' };
  const own = readingAt(set, cursor);
  if (typed.trim() === '') {
    const mayBeLeft = cursor.position >= set.positions || own !== undefined;
    if (mayBeLeft) return { type: 'skip' };
    return { type: 'refuse', message: `Type the reading at position ${cursor.position + 1}.` };
  }
  // What stands there already has its unit: it is not read again in another.
  if (own?.text === typed) return { type: 'read', reading: own };
  const read = readTyped(writtenOut(set, cursor, typed, corner), unitOf(set, corner), kindOf(set));
  if (!read.ok) return { type: 'refuse', message: read.message };
  const { value, unit } = read.length;
  return {
    type: 'read',
    reading: { ...cursor, valueUm: value as number, text: read.length.text, unit },
  };
}

/** The bench at opening, of the kind asked for if any: at the latest set that is not read to its end, else at the last. */
export function openBench(sets: readonly BenchSet[], wanted?: BenchSet['kind']): BenchState {
  const counted = sets.filter(({ isAside }) => !isAside);
  const asked = counted.filter(({ kind }) => wanted === undefined || kind === wanted);
  const open = asked.findLast((set) => firstOpen(set) !== null) ?? asked.at(-1);
  const opened = { wanted };
  const state: BenchState = { sets, currentId: null, cursor: null, draft: '', error: null, opened };
  return pickSet(state, open?.id ?? null);
}
