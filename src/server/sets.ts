import 'server-only';
import {
  idSchema,
  MAX_LAPS,
  newSetSchema,
  readingsSchema,
  setAsideSchema,
  setDetailsSchema,
} from '../core/contracts';
import { leftOut } from '../core/quality';
import { axleOf, LENGTH_KINDS, readTyped } from '../core/readings';
import { WORKSHOP_DEFAULTS } from '../core/verdict';
import {
  findGauge,
  findSet,
  findSetFile,
  findUsualGauge,
  insertSet,
  listReadingChanges,
  updateSet,
  writeReadings,
  type NewSetRow,
  type ReadingChange,
  type ReadingChangeRow,
  type SetFile,
  type SetRow,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { jobToWrite, refuseSigned } from './jobs';

const GONE = 'This set is not on file any more. Load the page again.';

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

/** A set checked and ready to be begun, or why it cannot be. Nothing is written yet. */
export async function readySet(
  input: unknown,
  origin: SetOrigin = 'bench',
): Promise<Answer<NewSetRow>> {
  const parsed = newSetSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { left, gaugeId = null, ...plan } = parsed.data;
  const { jobId, corner, shift, kind, angles, positions } = plan;
  const writable = await jobToWrite(jobId);
  if (!writable.ok) return writable;
  const file = writable.value;
  if (!file.corners.includes(corner)) return refuse('This corner is not part of the job.');
  const axle = file.vehicle.axles.find(({ position }) => position === axleOf(corner));
  const studs = axle?.studs ?? 0;
  if (shift >= studs) return refuse(`With ${studs} studs a mounting is at 0 to ${studs - 1}.`);
  if (angles && angles.length !== positions) {
    const message = `${angles.length} angles were given for ${positions} positions.`;
    return refuse(message, { angles: message });
  }
  const fastening = axle?.fastening ?? 'studs';
  const asked = { kind, asFound: plan.phase === 'as-found', fastening };
  const gauge = await gaugeFor(kind === 'thickness' ? 'micrometer' : 'dial', gaugeId);
  // Only a real dial that was read just now counts the other way round.
  const turned = gauge.turned === true && origin === 'bench' && !plan.isVirtual;
  return accept({
    ...plan,
    ...gauge,
    turned,
    leftOut: origin === 'table' ? [FROM_A_TABLE] : left ? leftOut(asked, left) : null,
    radiusUm: kind === 'hub' ? WORKSHOP_DEFAULTS.hubFaceRadius : null,
  });
}

/** Begins a reading set that is ready. */
export const beginReady = async (set: NewSetRow): Promise<SetFile> => ({
  ...(await insertSet(await database(), set)),
  readings: [],
});

/** Begins a reading set with its gauge and what is known of its circumstances. */
export async function beginSet(input: unknown): Promise<Answer<SetFile>> {
  const ready = await readySet(input);
  return ready.ok ? accept(await beginReady(ready.value)) : ready;
}

/** A set that is to be written to, or why it cannot be: it is gone, or its job is signed off. */
async function setToWrite(id: string): Promise<Answer<SetRow>> {
  const set = idSchema.safeParse(id).success ? await findSet(await database(), id) : null;
  return set ? ((await refuseSigned(set.jobId)) ?? accept(set)) : refuse(GONE);
}

/** A set with its readings, or null. */
export const setFile = async (id: string): Promise<SetFile | null> =>
  idSchema.safeParse(id).success ? findSetFile(await database(), id) : null;

/** What stood at the places of a set before, the latest first. */
export const setHistory = async (id: string): Promise<ReadingChangeRow[]> =>
  idSchema.safeParse(id).success ? listReadingChanges(await database(), id) : [];

/** Changes what was noted of a set: zero error, temperature, end play. */
export async function noteDetails(input: unknown): Promise<Answer<string>> {
  const parsed = setDetailsSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { setId, ...change } = parsed.data;
  const set = await setToWrite(setId);
  if (!set.ok) return set;
  await updateSet(await database(), setId, change);
  return accept(setId);
}

/** Adds a lap to a set; returns how many it has now. */
export async function addLap(setId: string): Promise<Answer<number>> {
  const found = await setToWrite(setId);
  if (!found.ok) return found;
  const set = found.value;
  if (set.laps >= MAX_LAPS) return refuse(`${MAX_LAPS} laps are enough for any gauge.`);
  await updateSet(await database(), setId, { laps: set.laps + 1 });
  return accept(set.laps + 1);
}

/** Sets a set aside: it stays on file and counts no more. */
export async function setAside(input: unknown): Promise<Answer<string>> {
  const parsed = setAsideSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { setId, reason } = parsed.data;
  const set = await setToWrite(setId);
  if (!set.ok) return set;
  await updateSet(await database(), setId, { setAsideAt: new Date(), setAsideReason: reason });
  return accept(setId);
}

/** Lets a set that was set aside count again. */
export async function takeBack(setId: string): Promise<Answer<string>> {
  const set = await setToWrite(setId);
  if (!set.ok) return set;
  await updateSet(await database(), setId, { setAsideAt: null, setAsideReason: null });
  return accept(setId);
}

/**
 * Writes readings as typed: all or none, each parsed and checked again here. Answers when
 * they are on disk.
 */
export async function saveReadings(setId: string, input: unknown): Promise<Answer<number>> {
  const parsed = readingsSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const found = await setToWrite(setId);
  if (!found.ok) return found;
  const set = found.value;
  const isDial = set.kind !== 'thickness';
  const kind = isDial ? LENGTH_KINDS.deviation : LENGTH_KINDS.thickness;
  const last = isDial ? set.positions : set.positions - 1;
  const changes: ReadingChange[] = [];
  for (const [i, { lap, position, text, unit }] of parsed.data.readings.entries()) {
    if (lap >= set.laps || position > last) {
      const message = `Position ${position + 1} of lap ${lap + 1} is not part of this set.`;
      return refuse(message, { [`readings.${i}`]: message });
    }
    if (text === null) {
      changes.push({ lap, position, valueUm: null });
      continue;
    }
    const read = readTyped(text, unit, kind);
    if (!read.ok) return refuse(read.message, { [`readings.${i}.text`]: read.message });
    const { value, unit: typedUnit, text: typed } = read.length;
    changes.push({ lap, position, valueUm: value as number, text: typed, unit: typedUnit });
  }
  await writeReadings(await database(), setId, changes);
  return accept(changes.length);
}
