import 'server-only';
import {
  idSchema,
  MAX_LAPS,
  newSetSchema,
  readingSchema,
  readingsSchema,
  setAsideSchema,
  setDetailsSchema,
  sweptLapSchema,
  type NewSetData,
  type TypedReadings,
} from '../../core/contracts';
import { beyondPlace, placesBeyond } from '../../core/assessment';
import { leftOut, withoutTorque } from '../../core/quality';
import {
  axleAt,
  isDrumAt,
  isFasteningSaid,
  refuseRole,
  SAY_FASTENING,
  type Job,
  type ReadingSet,
} from '../../core/job';
import {
  evenAngles,
  isOnRaster,
  LENGTH_KINDS,
  readSweep,
  readTyped,
  SWEEP_PLACES,
  type Corner,
} from '../../core/readings';
import { WORKSHOP_DEFAULTS } from '../../core/verdict';
import {
  findGauge,
  findSetFile,
  findUsualGauge,
  insertSet,
  listReadingChanges,
  lockReading,
  sayToLedger,
  updateSet,
  writeReadings,
  type NewSetRow,
  type ReadingChange,
  type ReadingChangeRow,
  type SetFile,
  type Who,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { withJob } from '../job/withJob';
import { withSet, withSetAlone } from './withSet';

type NewGauge = Pick<NewSetRow, 'resolutionUm' | 'repeatabilityUm'> & Partial<NewSetRow>;

/** The gauge of a new set: the one named if it is in use, the usual one of its kind, or the workshop default. */
async function gaugeFor(kind: 'dial' | 'micrometer', id: string | null): Promise<NewGauge> {
  const db = await database();
  const named = id ? await findGauge(db, id) : null;
  const gauge = named?.retiredAt === null ? named : await findUsualGauge(db, kind);
  if (gauge?.kind === kind) {
    const { resolutionUm, repeatabilityUm, mpeUm, turned } = gauge;
    const known = { gaugeId: gauge.id, gaugeName: gauge.name, gaugeDue: gauge.due };
    return { resolutionUm, repeatabilityUm, mpeUm, turned, ...known };
  }
  const usual =
    kind === 'micrometer' ? WORKSHOP_DEFAULTS.micrometer : WORKSHOP_DEFAULTS.dialIndicator;
  return {
    resolutionUm: usual.resolution,
    repeatabilityUm: usual.repeatability,
    mpeUm: 'mpe' in usual ? usual.mpe : null,
  };
}

/** Where a set's readings come from: read at the bench, or out of a table. */
export type SetOrigin = 'bench' | 'table';

const FROM_A_TABLE = 'how the rotor was prepared (the readings come from a table)';

/** Why a corner has no seat of a number; null where it has. */
function noSuchSeat(job: Job, corner: Corner, shift: number): string | null {
  const studs = axleAt(job, corner)?.studs ?? 0;
  return shift < studs ? null : `With ${studs} studs a mounting is at 0 to ${studs - 1}.`;
}

/** Whether a thickness set can be read until it is settled: all its places on the raster. */
const isSettling = ({
  kind,
  circle = 'outer',
  positions,
  angles,
}: Pick<NewSetData, 'kind' | 'circle' | 'positions' | 'angles'>): boolean =>
  kind === 'thickness' && circle === 'outer' && (angles ?? evenAngles(positions)).every(isOnRaster);

/** A set checked and ready to be begun at its job, or why it cannot be. Nothing is written yet. */
export async function readySet(
  job: Job,
  { left, gaugeId = null, sweep = false, ...plan }: NewSetData,
  origin: SetOrigin = 'bench',
): Promise<Answer<NewSetRow>> {
  const { corner, shift, kind, angles, positions } = plan;
  if (!job.corners.includes(corner)) return refuse('This corner is not part of the job.');
  const axle = axleAt(job, corner);
  if (isDrumAt(job, corner)) {
    return refuse('This wheel has a drum: its diameters are read, no runout and no thickness.');
  }
  if (!isFasteningSaid(job, corner)) return refuse(SAY_FASTENING);
  const why = noSuchSeat(job, corner, shift);
  if (why !== null) return refuse(why);
  if (angles && angles.length !== positions) {
    const message = `${angles.length} angles were given for ${positions} positions.`;
    return refuse(message, { angles: message });
  }
  if (plan.settle && !isSettling(plan)) {
    const message = 'Measured until it is settled, a set has places at multiples of 7.5°.';
    return refuse(message, { positions: message });
  }
  if (sweep && (kind === 'thickness' || angles)) {
    return refuse('A sweep is of a dial indicator, at even places.', {
      sweep: 'Not for this set.',
    });
  }
  const fastening = axle?.fastening ?? 'studs';
  const isFloating = axle?.traits.includes('two-piece') === true;
  const asked = { kind, asFound: plan.phase === 'as-found', fastening, isFloating };
  const gauge = await gaugeFor(kind === 'thickness' ? 'micrometer' : 'dial', gaugeId);
  // Only a real dial that was read just now counts the other way round.
  const turned = gauge.turned === true && origin === 'bench' && !plan.isVirtual;
  return accept({
    ...plan,
    ...gauge,
    turned,
    ...(sweep && { sweeps: [], positions: SWEEP_PLACES[0] }),
    leftOut:
      origin === 'table'
        ? [FROM_A_TABLE]
        : left
          ? leftOut(asked, withoutTorque(left, plan.torqueNm))
          : null,
    radiusUm: kind === 'hub' ? WORKSHOP_DEFAULTS.hubFaceRadius : null,
  });
}

/** Begins a reading set with its gauge and what is known of its circumstances. */
export async function beginSet(input: unknown): Promise<Answer<SetFile>> {
  const parsed = newSetSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  return withJob(parsed.data.jobId, async (tx, job) => {
    const ready = await readySet(job, parsed.data);
    return ready.ok ? accept({ ...(await insertSet(tx, ready.value)), readings: [] }) : ready;
  });
}

/** A set with its readings, or null. */
export const setFile = async (id: string): Promise<SetFile | null> =>
  idSchema.safeParse(id).success ? findSetFile(await database(), id) : null;

/** What stood at the places of a set before, the latest first. */
export const setHistory = async (id: string): Promise<ReadingChangeRow[]> =>
  idSchema.safeParse(id).success ? listReadingChanges(await database(), id) : [];

/** Changes what was noted of a set: zero error, temperature, end play, and where the rotor sat. */
export async function noteDetails(input: unknown): Promise<Answer<string>> {
  const parsed = setDetailsSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { setId, ...change } = parsed.data;
  return withSet(setId, async (tx, set, job) => {
    const why = change.shift === undefined ? null : noSuchSeat(job, set.corner, change.shift);
    if (why !== null) return refuse(why, { shift: why });
    await updateSet(tx, setId, change);
    return accept(setId);
  });
}

/**
 * Adds a lap to a set; returns how many it has now. `has` is how many the writer saw: a lap that
 * was added already is not added again.
 */
export const addLap = (setId: string, has?: number): Promise<Answer<number>> =>
  withSetAlone(setId, async (tx, set) => {
    if (has !== undefined && set.laps !== has) return accept(set.laps);
    if (set.laps >= MAX_LAPS) return refuse(`${MAX_LAPS} laps are enough for any gauge.`);
    await updateSet(tx, setId, { laps: set.laps + 1 });
    return accept(set.laps + 1);
  });

/**
 * Writes what a gauge sent in one slow turn of a set that is swept, lap after lap; one that is sent
 * twice is written once. Returns how many places the laps of the set have.
 */
export async function saveSweep(input: unknown): Promise<Answer<number>> {
  const parsed = sweptLapSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { setId, lap, sweep } = parsed.data;
  const bad = (message: string): Answer<number> => refuse(message, { sweep: message });
  return withSet(setId, async (tx, set, job) => {
    const { sweeps } = set;
    if (!sweeps) return bad('This set is read place by place.');
    const stands = sweeps[lap];
    if (stands) {
      return stands.times.join() === sweep.times.join() &&
        stands.values.join() === sweep.values.join()
        ? accept(set.positions)
        : bad(
            `Lap ${lap + 1} was swept already: add a lap, or put the set aside and take it again.`,
          );
    }
    if (lap !== sweeps.length || lap >= set.laps) return bad(`Lap ${lap + 1} is not the next one.`);
    const studs = axleAt(job, set.corner)?.studs ?? 0;
    const read = readSweep(sweep, studs, lap === 0 ? undefined : set.positions);
    if (!read.ok) return bad(read.message);
    const { positions } = read.lap;
    await updateSet(tx, setId, { sweeps: [...sweeps, sweep], positions });
    return accept(positions);
  });
}

/** Sets a set aside under a name and with a reason: it stays on file and counts no more. */
export async function setAside(input: unknown, who: Who | null): Promise<Answer<string>> {
  const parsed = setAsideSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { setId, reason } = parsed.data;
  const why = refuseRole(who, 'technician');
  if (why !== null) return refuse(why);
  return withSet(setId, async (tx) => {
    await sayToLedger(tx, { reason });
    await updateSet(tx, setId, { setAsideAt: new Date(), setAsideReason: reason });
    return accept(setId);
  });
}

/** Lets a set that was set aside count again. */
export const takeBack = (setId: string): Promise<Answer<string>> =>
  withSet(setId, async (tx) => {
    await updateSet(tx, setId, { setAsideAt: null, setAsideReason: null });
    return accept(setId);
  });

/** The set that readings go to, as far as checking them needs it. */
type SetShape = Pick<ReadingSet, 'kind' | 'positions' | 'laps' | 'sweeps'> & {
  readonly circle?: ReadingSet['circle'] | null;
};

/** Whether a reading may stand at a place of a set: of its laps, or beyond them. */
function hasPlace(set: SetShape, lap: number, position: number): boolean {
  const beyond = beyondPlace(set, position);
  if (beyond?.of === 'turn') return lap === 0 && position < placesBeyond(set);
  // Each reading of one angle stands in a lap of its own.
  if (beyond?.of === 'extra') return set.circle !== 'inner' && position < placesBeyond(set);
  return (
    lap < set.laps && position <= (set.kind === 'thickness' ? set.positions - 1 : set.positions)
  );
}

/** Readings as typed, checked against their set: all, or why one of them is refused. */
export function checkedReadings(
  set: SetShape,
  typed: TypedReadings,
): Answer<readonly ReadingChange[]> {
  const isDial = set.kind !== 'thickness';
  const kind = isDial ? LENGTH_KINDS.deviation : LENGTH_KINDS.thickness;
  const changes: ReadingChange[] = [];
  if (set.sweeps) {
    const message = 'This set is swept: its readings are as the gauge sent them.';
    return refuse(message, { text: message });
  }
  for (const [i, { lap, position, text, unit }] of typed.entries()) {
    if (!hasPlace(set, lap, position)) {
      const message = `Position ${position + 1} of lap ${lap + 1} is not part of this set.`;
      return refuse(message, { [`readings.${i}`]: message });
    }
    if (text === null) {
      changes.push({ lap, position, valueUm: null });
      continue;
    }
    const read = readTyped(text, unit, kind);
    if (!read.ok) return refuse(read.message, { [`readings.${i}.text`]: read.message });
    const { value, unit: typedUnit, text: kept } = read.length;
    changes.push({ lap, position, valueUm: value as number, text: kept, unit: typedUnit });
  }
  return accept(changes);
}

/**
 * Writes readings as typed: all or none, each parsed and checked again here. Answers when
 * they are on disk.
 */
export async function saveReadings(setId: string, input: unknown): Promise<Answer<number>> {
  const parsed = readingsSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  return withSetAlone(setId, async (tx, set) => {
    const changes = checkedReadings(set, parsed.data.readings);
    if (!changes.ok) return changes;
    await writeReadings(tx, setId, changes.value);
    return accept(changes.value.length);
  });
}

/** What became of a reading: kept, or what another device wrote there meanwhile. */
export type ReadingKept =
  | { readonly kept: true; readonly text: string | null }
  | { readonly kept: false; readonly theirs: { readonly text: string | null } };

/**
 * Writes one reading as typed, or takes it back. Where something else stands than what was on
 * the screen (`was`), and it is not what the same device wrote last (`own`), nothing is written.
 */
export async function saveReading(
  input: unknown,
  own?: string | null,
): Promise<Answer<ReadingKept>> {
  const parsed = readingSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { setId, was, ...typed } = parsed.data;
  return withSetAlone<ReadingKept>(setId, async (tx, set) => {
    const changes = checkedReadings(set, [typed]);
    if (!changes.ok) return { ...changes, fields: { text: changes.message } };
    const [change] = changes.value;
    const text = change && change.valueUm !== null ? change.text : null;
    const standing = await lockReading(tx, setId, typed);
    const stands = standing?.text ?? null;
    const isSeen = was === undefined || [was, own, text].includes(stands);
    if (!isSeen) return accept({ kept: false, theirs: { text: stands } });
    await writeReadings(tx, setId, changes.value, standing ? [standing] : []);
    return accept({ kept: true, text });
  });
}
