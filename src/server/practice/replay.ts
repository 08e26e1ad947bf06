import 'server-only';
import {
  assessHubFace,
  assessRunout,
  assessThickness,
  saySeat,
  type CornerRecord,
  type MeasuredSet,
} from '../../core/assessment';
import {
  confirmedCauses,
  findingsOfJob,
  judgeCorner,
  rotorCorners,
  vehicleName,
  type Job,
  type Phase,
} from '../../core/job';
import { meanOf } from '../../core/numeric';
import type { ReplayCase } from '../../core/practice';
import { axleOf, type Corner, type Fastening } from '../../core/readings';
import type { Micrometres, UnitSystem } from '../../core/units';
import type { Verdict } from '../../core/verdict';
import { find } from '../records/find';
import { ownerReport } from '../report/owner';

/** Readings of a real job as they are given when they are asked for, as the record judges them. */
export interface ReplaySet {
  readonly id: string;
  readonly corner: Corner;
  readonly kind: MeasuredSet['kind'];
  readonly isAsFound: boolean;
  /** Where the rotor sat, in words. */
  readonly seat: string;
  readonly studs: number;
  readonly fastening: Fastening;
  readonly shift: number;
  readonly angles: readonly number[];
  /** Averages by place in µm about their mean, outboard-positive, drift taken out. */
  readonly values: readonly Micrometres[];
  /** Runout, or thickness variation, with its limit. */
  readonly verdict: Pick<Verdict, 'state' | 'value' | 'limit'>;
  /** The thinnest place; null of a dial. */
  readonly least: Micrometres | null;
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

/** What a set comes to, as the record judges it. */
function judged(set: MeasuredSet, { studs, limits }: Pick<CornerRecord, 'studs' | 'limits'>) {
  if (set.kind === 'thickness') {
    const { averaged, angles, dtvVerdict, min } = assessThickness(set, limits).figures;
    return { averaged, angles, verdict: dtvVerdict, least: min };
  }
  const { averaged, angles, verdict } =
    set.kind === 'hub' ? assessHubFace(set, studs) : assessRunout(set, studs, limits);
  return { averaged, angles, verdict, least: null };
}

function setOf(record: CornerRecord, set: MeasuredSet, phase: Phase, at: number): ReplaySet[] {
  if (set.laps.every((lap) => lap.length === 0)) return [];
  const { corner, studs, fastening } = record;
  const { averaged, angles, verdict, least } = judged(set, record);
  const { state, value, limit } = verdict;
  const mean = meanOf(averaged);
  return [
    {
      id: `${phase} ${corner} ${at}`,
      ...{ corner, kind: set.kind, isAsFound: phase === 'as-found' },
      ...{ studs, fastening, shift: set.shift, seat: saySeat(record, set.shift) },
      ...{ angles, values: averaged.map((each) => each - mean), least },
      verdict: { state, value, limit },
      readings: set.laps.reduce((sum, lap) => sum + lap.length, 0),
    },
  ];
}

/** Every set that was read before a correction, in the order in which it was. */
const setsOf = (job: Job): ReplaySet[] =>
  rotorCorners(job).flatMap((corner) =>
    (['as-found', 'before'] as const).flatMap((phase) => {
      const { record } = judgeCorner(job, corner, phase);
      return record.sets.flatMap((set, at) => setOf(record, set, phase, at));
    }),
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
