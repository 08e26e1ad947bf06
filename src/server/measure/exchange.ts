import 'server-only';
import { signOf, sweepsOfTable, type SweepRecord } from '../../core/assessment';
import { importSetsSchema, newSetSchema } from '../../core/contracts';
import { contractCase, readSetTable, writeSetCsv, type TableSet } from '../../core/exchange';
import { axleOf, LENGTH_KINDS, MAX_POSITIONS, readTyped, SWEEP_PLACES } from '../../core/readings';
import { fieldUnit, type LengthUnit, type UnitSystem } from '../../core/units';
import {
  insertSet,
  writeReadings,
  type NewSetRow,
  type ReadingChange,
  type SetFile,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { loadJob } from '../job/jobs';
import { withJob } from '../job/withJob';
import { limitsOf, type ReadingSet } from '../../core/job';
import { checkedReadings, readySet, setFile } from './sets';
import { shopUnits } from '../shop/settings';

/** A document to give away: what to call it, and what is in it. */
export interface Download {
  readonly name: string;
  readonly text: string;
}

/** A set with the signs that its readings count with. */
const counting = <Set extends Pick<ReadingSet, 'kind' | 'turned' | 'readings'>>(set: Set): Set => ({
  ...set,
  readings: set.readings.map((each) => ({ ...each, valueUm: signOf(set) * each.valueUm + 0 })),
});

/** A set as CSV, or null when it is not on file. */
export async function setAsCsv(id: string): Promise<Download | null> {
  const set = await setFile(id);
  return set && { name: `set-${set.corner}-${set.kind}.csv`, text: writeSetCsv([counting(set)]) };
}

/** All sets of a job that count as CSV, or null without such a job. */
export async function jobAsCsv(id: string): Promise<Download | null> {
  const job = await loadJob(id);
  if (!job) return null;
  const sets = job.sets.filter(({ setAsideAt }) => setAsideAt === null);
  return { name: `job-${job.number}-readings.csv`, text: writeSetCsv(sets.map(counting)) };
}

/** A set as the solvers' contract takes it; null where it is not on file or not whole. */
export async function setAsCase(id: string): Promise<Download | null> {
  const set = await setFile(id);
  const job = set && (await loadJob(set.jobId));
  const axle = job?.vehicle.axles.find(({ position }) => position === axleOf(set!.corner));
  const own = set && axle ? contractCase(set, axle.studs, limitsOf(axle)) : null;
  return (
    own && { name: `${own.solver}-case.json`, text: `${JSON.stringify(own.input, null, 2)}\n` }
  );
}

type Kind = SetFile['kind'];

/** Why a set of a table does not belong to a bench: it names another corner or phase. */
function misplaced(set: TableSet, corner: string, phase: string): string | null {
  if (set.corner !== null && set.corner !== corner) {
    return `it was read at ${set.corner}, and this is ${corner}. Open that corner, or leave the column out.`;
  }
  return set.phase !== null && set.phase !== phase
    ? `it was read “${set.phase}”, and this bench reads “${phase}”. Open that bench, or leave the column out.`
    : null;
}

function nameOf({ positions }: TableSet, position: number): string {
  if (position === positions) return 'closing reading';
  return position < positions ? `position ${position + 1}` : 'reading beyond the laps';
}

type NewReadings = { lap: number; position: number; text: string; unit: LengthUnit }[];

/** The set's readings as they go on file, or what is wrong with one of them. */
function checked(set: TableSet, kind: Kind, units: UnitSystem): Answer<NewReadings> {
  const isDial = kind !== 'thickness';
  const unit = set.unit ?? fieldUnit(units, isDial ? 'deviation' : 'size');
  const length = isDial ? LENGTH_KINDS.deviation : LENGTH_KINDS.thickness;
  const readings = set.readings
    // A closing reading that a table gives for thickness is the first place once more.
    .filter(({ position }) => isDial || position !== set.positions)
    .map((reading) => ({ ...reading, unit }));
  for (const { lap, position, text } of readings) {
    const read = readTyped(text, unit, length);
    if (!read.ok) {
      const where = nameOf(set, position);
      return refuse(`lap ${lap + 1}, ${where}: ${read.message}`);
    }
  }
  return accept(readings);
}

/** More places than are read one by one were swept: laps of a table as their sweeps; null for one that was not. */
function sweptIn(
  { positions, laps, angles }: TableSet,
  kind: Kind,
  typed: NewReadings,
): Answer<{ readonly sweeps: SweepRecord[]; readonly positions: number } | null> {
  if (positions <= MAX_POSITIONS) return accept(null);
  if (kind === 'thickness') {
    return refuse(`thickness has at most ${MAX_POSITIONS} positions a lap.`);
  }
  if (angles) {
    return refuse(`${positions} positions are a sweep, and these do not go evenly once round.`);
  }
  const unit = typed[0]?.unit ?? 'um';
  const values = Array.from({ length: laps }, (_, lap) =>
    Array.from({ length: positions + 1 }, (__, position) => {
      const own = typed.find((each) => each.lap === lap && each.position === position);
      const read = own && readTyped(own.text, own.unit, LENGTH_KINDS.deviation);
      return read?.ok ? (read.length.value as number) : undefined;
    }),
  );
  const sweeps = sweepsOfTable(values, unit);
  const places = SWEEP_PLACES.find((n) => n <= positions);
  return sweeps && places !== undefined
    ? accept({ sweeps, positions: places })
    : refuse('a swept lap has a figure at every position and a closing reading.');
}

/**
 * Puts the sets of a table on file at a corner: all are checked before the first is written.
 * What the table does not say is taken from the form. Returns the new sets' ids.
 */
export async function importSets(input: unknown): Promise<Answer<string[]>> {
  const parsed = importSetsSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner, phase, text, ...form } = parsed.data;
  const table = readSetTable(text);
  if (!table.ok) return refuse(table.message, { text: table.message });
  const units = await shopUnits();
  return withJob(jobId, async (tx, job) => {
    const ready: { set: NewSetRow; readings: readonly ReadingChange[] }[] = [];
    for (const set of table.sets) {
      const say = (message: string): Answer<never> =>
        refuse(`Set ${set.name}: ${message}`, { text: `Set ${set.name}: ${message}` });
      // A table that says where it was read is not put on file elsewhere.
      const elsewhere = misplaced(set, corner, phase);
      if (elsewhere !== null) return say(elsewhere);
      const kind = set.kind ?? form.kind;
      const typed = checked(set, kind, units);
      if (!typed.ok) return say(typed.message);
      const swept = sweptIn(set, kind, typed.value);
      if (!swept.ok) return say(swept.message);
      const plan = newSetSchema.safeParse({
        jobId,
        corner,
        phase,
        kind,
        face: set.face ?? form.face,
        circle: set.circle ?? 'outer',
        shift: set.shift ?? form.shift,
        positions: set.positions,
        sweep: swept.value !== null,
        laps: set.laps,
        angles: set.angles && [...set.angles],
        settle: set.settle,
      });
      if (!plan.success) return say(refuseParse(plan.error).message);
      const begun = await readySet(job, plan.data, 'table');
      if (!begun.ok) return say(begun.message);
      if (swept.value) {
        ready.push({ set: { ...begun.value, ...swept.value }, readings: [] });
        continue;
      }
      const readings = checkedReadings({ ...set, kind, sweeps: null }, typed.value);
      if (!readings.ok) return say(readings.message);
      ready.push({ set: begun.value, readings: readings.value });
    }
    const ids: string[] = [];
    for (const { set, readings } of ready) {
      const { id } = await insertSet(tx, set);
      await writeReadings(tx, id, readings);
      ids.push(id);
    }
    return accept(ids);
  });
}
