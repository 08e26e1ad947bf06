import { sayAdvice } from '../assessment';
import type { Corner } from '../readings';
import type { UnitSystem } from '../units';
import { VERDICT_WORD, type VerdictState } from '../verdict';
import { DRUM_WORK_NAME } from '../drum';
import { drumAt } from './drums';
import { judgeCorner, type CornerJudgement } from './judge';
import { isDrumAt } from './procedure';
import type { Axle, Job } from './types';

/** A verdict of an open job that other figures change. */
export interface VerdictChange {
  readonly jobId: string;
  readonly number: number;
  readonly corner: Corner;
  readonly what:
    | 'runout'
    | 'thickness variation'
    | 'discard'
    | 'advice'
    | 'drum diameter'
    | 'drum roundness';
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

/** What is said of a drum, as it stands. */
function saidOfDrum(job: Job, corner: Corner): Map<VerdictChange['what'], string> {
  const { before, after, advised } = drumAt(job, corner);
  const drum = after ?? before;
  const state = (of: VerdictState = 'not-measured'): string => VERDICT_WORD[of].toLowerCase();
  return new Map([
    ['drum diameter', state(drum?.size?.state)],
    ['drum roundness', state(drum?.round.state)],
    ['advice', advised === null ? 'measure it' : DRUM_WORK_NAME[advised]],
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
  const said = (of: Job, corner: Corner): Map<VerdictChange['what'], string> => {
    if (isDrumAt(of, corner)) return saidOfDrum(of, corner);
    const isAfter = of.sets.some((set) => set.corner === corner && set.phase === 'after');
    return saidOf(judgeCorner(of, corner, isAfter ? 'after' : 'before'), units);
  };
  return job.corners.flatMap((corner) => {
    const before = said(job, corner);
    const after = said(changed, corner);
    return [...before].flatMap(([what, was]): VerdictChange[] => {
      const becomes = after.get(what) ?? was;
      return becomes === was ? [] : [{ jobId, number, corner, what, was, becomes }];
    });
  });
}
