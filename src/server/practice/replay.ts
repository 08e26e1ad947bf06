import 'server-only';
import { runoutLimit, type MeasuredSet } from '../../core/assessment';
import {
  confirmedCauses,
  findingsOfJob,
  judgeCorner,
  rotorCorners,
  vehicleName,
  type Job,
  type Phase,
} from '../../core/job';
import type { ReplayCase } from '../../core/practice';
import { axleOf, type Corner, type Fastening } from '../../core/readings';
import type { Micrometres, UnitSystem } from '../../core/units';
import { find } from '../records/find';
import { ownerReport } from '../report/owner';

/** Readings of a real job as they are given when they are asked for. */
export interface ReplaySet {
  readonly id: string;
  readonly corner: Corner;
  readonly kind: MeasuredSet['kind'];
  readonly isAsFound: boolean;
  /** Stud spacings from where it was first marked. */
  readonly shift: number;
  readonly studs: number;
  readonly fastening: Fastening;
  readonly angles: readonly number[] | null;
  /** The first lap in µm, about its mean. */
  readonly values: readonly Micrometres[];
  readonly least: Micrometres;
  readonly most: Micrometres;
  readonly limit: Micrometres;
  /** How many readings it has in all. */
  readonly readings: number;
}

/** A real job as it is worked again: what can be asked for, and what came of it, which is told at the end. */
export interface Replay extends Omit<ReplayCase, 'knowledge'> {
  readonly vehicle: string;
  readonly complaint: string;
  readonly sets: readonly ReplaySet[];
  readonly told: {
    readonly found: readonly string[];
    readonly done: readonly string[];
    readonly verdict: string | null;
  };
}

/** A signed job whose work can be tried again. */
export interface ReplayLine {
  readonly id: string;
  readonly number: number;
  readonly complaint: string;
}

/** Jobs that are offered, at most. */
const OFFERED = 6;

function setOf(job: Job, set: MeasuredSet, corner: Corner, phase: Phase, at: number): ReplaySet[] {
  const { record } = judgeCorner(job, corner, phase);
  const lap = set.laps[0] ?? [];
  if (lap.length === 0) return [];
  const mean = lap.reduce((sum, value) => sum + value, 0) / lap.length;
  return [
    {
      id: `${phase} ${corner} ${at}`,
      ...{ corner, kind: set.kind, isAsFound: phase === 'as-found' },
      shift: set.kind === 'thickness' ? 0 : (set.shift ?? 0),
      ...{ studs: record.studs, fastening: record.fastening, angles: set.angles ?? null },
      values: lap.map((value) => value - mean),
      ...{ least: Math.min(...lap), most: Math.max(...lap) },
      limit: runoutLimit(record.limits).value,
      readings: set.laps.reduce((sum, each) => sum + each.length, 0),
    },
  ];
}

/** Every set that was read before a correction, in the order in which it was. */
const setsOf = (job: Job): ReplaySet[] =>
  rotorCorners(job).flatMap((corner) =>
    (['as-found', 'before'] as const).flatMap((phase) =>
      judgeCorner(job, corner, phase).record.sets.flatMap((set, at) =>
        setOf(job, set, corner, phase, at),
      ),
    ),
  );

/** A signed job as it is worked again; null while it is open, since nobody knows how it ends. */
export function replayOf(job: Job, units: UnitSystem): Replay | null {
  const [first] = job.corners;
  if (job.closedAt === null || first === undefined) return null;
  const { found, done, verdict } = ownerReport(job, units);
  return {
    ...{ number: job.number, complaint: job.complaint, axle: axleOf(first) },
    vehicle: vehicleName(job.vehicle),
    found: findingsOfJob(job),
    causes: [...new Set(confirmedCauses(job).map(({ cause }) => cause.code))],
    sets: setsOf(job),
    told: { found, done, verdict: verdict?.say ?? null },
  };
}

/** The jobs that were signed last: each can be worked again. */
export async function replayLines(): Promise<readonly ReplayLine[]> {
  const { jobs } = await find({ state: 'closed' });
  return jobs.slice(0, OFFERED).map(({ id, number, complaint }) => ({ id, number, complaint }));
}
