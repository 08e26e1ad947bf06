import { sayAdvice } from '../assessment';
import type { Corner } from '../readings';
import type { UnitSystem } from '../units';
import { VERDICT_WORD, type VerdictState } from '../verdict';
import { judgeCorner, type CornerJudgement } from './judge';
import type { Axle, Job } from './types';

/** A verdict of an open job that other figures change. */
export interface VerdictChange {
  readonly jobId: string;
  readonly number: number;
  readonly corner: Corner;
  readonly what: 'runout' | 'thickness variation' | 'discard' | 'advice';
  readonly was: string;
  readonly becomes: string;
}

/** What is said of a corner, as it stands. */
function saidOf(
  { record, assessment, advice }: CornerJudgement,
  units: UnitSystem,
): Map<VerdictChange['what'], string> {
  const { runout, thickness, thicknessVerdicts } = assessment;
  const state = (of: VerdictState = 'not-measured'): string => VERDICT_WORD[of].toLowerCase();
  return new Map([
    ['runout', state(runout?.verdict.state)],
    ['thickness variation', state(thickness?.dtvVerdict.state)],
    ['discard', state(thicknessVerdicts?.verdicts.discard.state)],
    ['advice', sayAdvice(advice, { ...record, units }).todo],
  ]);
}

/** An axle as it is entered: what is left out stays as it is on file. */
export type AxleEntry = Pick<Axle, 'position'> & Partial<Axle>;

/** An axle as it would be with other figures. */
const withFigures = (axle: Axle, fresh: AxleEntry | undefined): Axle =>
  fresh ? { ...axle, pistons: null, traits: [], rotorKg: null, ...fresh } : axle;

/** The verdicts of a job that other figures of its axles would change. */
export function changesOfFigures(
  job: Job,
  fresh: readonly AxleEntry[],
  units: UnitSystem,
): VerdictChange[] {
  const axles = job.vehicle.axles.map((axle) =>
    withFigures(
      axle,
      fresh.find(({ position }) => position === axle.position),
    ),
  );
  const changed: Job = { ...job, vehicle: { ...job.vehicle, axles } };
  const { id: jobId, number } = job;
  return job.corners.flatMap((corner) => {
    const isAfter = job.sets.some((set) => set.corner === corner && set.phase === 'after');
    const phase = isAfter ? 'after' : 'before';
    const before = saidOf(judgeCorner(job, corner, phase), units);
    const after = saidOf(judgeCorner(changed, corner, phase), units);
    return [...before].flatMap(([what, was]): VerdictChange[] => {
      const becomes = after.get(what) ?? was;
      return becomes === was ? [] : [{ jobId, number, corner, what, was, becomes }];
    });
  });
}
