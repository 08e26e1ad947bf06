import type { CheckKind } from '../contracts';
import {
  tallyJob,
  type ClosedJob,
  type CorrectedCorner,
  type Mark,
  type Tally,
  type StageKey,
} from '../insights';
import { seenItems } from '../procedure';
import type { Corner } from '../readings';
import { judgeCorner } from './judge';
import { cornerPlan, looksOf } from './procedure';
import { axleAt } from './record';
import type { Decision, Job } from './types';

/** The stage at which something of a kind is written down. */
const STAGE_OF: Readonly<Record<CheckKind, StageKey>> = {
  lifting: 'strip',
  step: 'strip',
  parts: 'strip',
  look: 'strip',
  figure: 'strip',
  method: 'strip',
  rule: 'strip',
  waiting: 'strip',
  fixed: 'strip',
  decide: 'decide',
  repair: 'decide',
  estimate: 'decide',
  part: 'decide',
  promise: 'prove',
  repaired: 'correct',
  drum: 'correct',
  correct: 'correct',
  rebuild: 'rebuild',
  torque: 'rebuild',
  hydraulics: 'rebuild',
  pedal: 'rebuild',
  bedding: 'prove',
  prove: 'prove',
};

/** Everything that was written down in a job, with its stage and time. */
function marksOf({ createdAt, closedAt, checks, sets, decisions, roadTests }: Job): Mark[] {
  const mark = (stage: StageKey, at: Date): Mark => ({ stage, at: at.getTime() });
  return [
    mark('complaint', createdAt),
    ...checks.map(({ kind, at }) => mark(STAGE_OF[kind], at)),
    ...sets.flatMap(({ phase, readings }) =>
      readings.map(({ takenAt }) => mark(phase === 'after' ? 'prove' : 'measure', takenAt)),
    ),
    ...decisions.map(({ decidedAt }) => mark('decide', decidedAt)),
    ...roadTests.map(({ phase, takenAt }) =>
      mark(phase === 'after' ? 'prove' : 'road-test', takenAt),
    ),
    ...(closedAt ? [mark('report', closedAt)] : []),
  ];
}

/** What was found wrong at a corner: what was seen, and what was measured beyond its limit. */
function foundAt(job: Job, corner: Corner): ClosedJob['found'] {
  const looks = looksOf(job).filter((look) => look.corner === corner);
  const seen = seenItems(cornerPlan(job, corner)?.items ?? [], looks, corner);
  const looked = seen
    .filter(({ state }) => state === 'wrong')
    .flatMap(({ item, conditions }) =>
      conditions.map(({ code }) => ({ code: item.code, value: code, corner })),
    );
  const { assessment } = judgeCorner(job, corner, 'before');
  const beyond = {
    runout: assessment.firstRunout?.verdict.state,
    dtv: assessment.thickness?.dtvVerdict.state,
    discard: assessment.thicknessVerdicts?.verdicts.discard.state,
  };
  const measured = Object.entries(beyond)
    .filter(([, state]) => state === 'beyond')
    .map(([value]) => ({ code: 'measured', value, corner }));
  return [...looked, ...measured];
}

function correctedCorner(job: Job, { corner, correction, detail }: Decision): CorrectedCorner {
  const isRead = axleAt(job, corner) !== undefined;
  const after = isRead ? judgeCorner(job, corner, 'after').assessment.runout : null;
  return {
    corner,
    correction,
    predicted: detail?.runout ?? null,
    measured: after?.tirFitted ?? null,
    money: detail?.money ? { currency: detail.currency, ...detail.money } : null,
  };
}

/** What a closed job adds to what the shop has learnt. */
export const talliesOf = (job: Job, cameBack: boolean): Tally[] =>
  tallyJob({
    cause: job.confirmedCause,
    cameBack,
    corners: job.decisions.map((decision) => correctedCorner(job, decision)),
    found: job.corners
      .filter((corner) => axleAt(job, corner))
      .flatMap((corner) => foundAt(job, corner)),
    marks: marksOf(job),
  });
