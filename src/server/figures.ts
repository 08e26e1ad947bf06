import { sayAdvice } from '../core/assessment';
import type { Corner } from '../core/readings';
import type { UnitSystem } from '../core/units';
import { VERDICT_WORD, type VerdictState } from '../core/verdict';
import type { AxleRow, JobFile, NewAxle } from '../db/repositories';
import { judgeCorner, type CornerJudgement } from './judge';

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

/** An axle as it would be with other figures. */
const withFigures = (axle: AxleRow, fresh: NewAxle | undefined): AxleRow =>
  fresh
    ? {
        ...axle,
        ...fresh,
        caliper: fresh.caliper ?? axle.caliper,
        pistons: fresh.pistons ?? null,
        traits: fresh.traits ?? [],
        rotorKg: fresh.rotorKg ?? null,
        limits: fresh.limits.map((limit) => ({ ...limit, id: '', axleId: '', by: null, at: null })),
      }
    : axle;

/** The verdicts of a job that other figures of its axles would change. */
export function changesOfFigures(
  file: JobFile,
  fresh: readonly NewAxle[],
  units: UnitSystem,
): VerdictChange[] {
  const axles = file.vehicle.axles.map((axle) =>
    withFigures(
      axle,
      fresh.find(({ position }) => position === axle.position),
    ),
  );
  const changed: JobFile = { ...file, vehicle: { ...file.vehicle, axles } };
  const { id: jobId, number } = file.job;
  return file.corners.flatMap((corner) => {
    const isAfter = file.sets.some((set) => set.corner === corner && set.phase === 'after');
    const phase = isAfter ? 'after' : 'before';
    const before = saidOf(judgeCorner(file, corner, phase), units);
    const after = saidOf(judgeCorner(changed, corner, phase), units);
    return [...before].flatMap(([what, was]): VerdictChange[] => {
      const becomes = after.get(what) ?? was;
      return becomes === was ? [] : [{ jobId, number, corner, what, was, becomes }];
    });
  });
}
