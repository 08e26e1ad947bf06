import 'server-only';
import {
  summarise,
  tallyJob,
  type ClosedJob,
  type CorrectedCorner,
  type Insights,
  type Mark,
  type Tally,
  type TimedStage,
} from '../core/insights';
import { seenItems } from '../core/procedure';
import {
  asSigned,
  cellsOf,
  findJob,
  hasComeback,
  jobsToLearnFrom,
  keepSignedAs,
  latestProofs,
  saveTallies,
  talliedYears,
  type CheckRow,
  type DecisionRow,
  type JobFile,
  type ProofPoint,
} from '../db/repositories';
import { database } from './database';
import { judgeCorner } from './judge';
import { cornerPlan, looksOf } from './procedure';
import { axleRow } from './record';

/** The stage at which something of a kind is written down. */
const STAGE_OF: Readonly<Record<CheckRow['kind'], TimedStage>> = {
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
  correct: 'correct',
  rebuild: 'rebuild',
  torque: 'rebuild',
  hydraulics: 'rebuild',
  pedal: 'rebuild',
  bedding: 'prove',
  prove: 'prove',
};

/** Everything that was written down in a job, with its stage and time. */
function marksOf({ job, checks, sets, decisions, roadTests }: JobFile): Mark[] {
  const mark = (stage: TimedStage, at: Date): Mark => ({ stage, at: at.getTime() });
  return [
    mark('complaint', job.createdAt),
    ...checks.map(({ kind, at }) => mark(STAGE_OF[kind], at)),
    ...sets.flatMap(({ phase, readings }) =>
      readings.map(({ takenAt }) => mark(phase === 'after' ? 'prove' : 'measure', takenAt)),
    ),
    ...decisions.map(({ decidedAt }) => mark('decide', decidedAt)),
    ...roadTests.map(({ phase, takenAt }) =>
      mark(phase === 'after' ? 'prove' : 'road-test', takenAt),
    ),
    ...(job.closedAt ? [mark('report', job.closedAt)] : []),
  ];
}

/** What was found wrong at a corner: what was seen, and what was measured beyond its limit. */
function foundAt(file: JobFile, corner: JobFile['corners'][number]): ClosedJob['found'] {
  const looks = looksOf(file).filter((look) => look.corner === corner);
  const seen = seenItems(cornerPlan(file, corner)?.items ?? [], looks, corner);
  const looked = seen
    .filter(({ state }) => state === 'wrong')
    .flatMap(({ item, conditions }) =>
      conditions.map(({ code }) => ({ code: item.code, value: code, corner })),
    );
  const { assessment } = judgeCorner(file, corner, 'before');
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

function correctedAt(file: JobFile, { corner, correction, detail }: DecisionRow): CorrectedCorner {
  const isRead = axleRow(file, corner) !== undefined;
  const after = isRead ? judgeCorner(file, corner, 'after').assessment.runout : null;
  return {
    corner,
    correction,
    predicted: detail?.runout ?? null,
    measured: after?.tirFitted ?? null,
    money: detail?.money ? { currency: detail.currency, ...detail.money } : null,
  };
}

/** What a closed job adds to what the shop has learnt. */
export const talliesOf = (file: JobFile, cameBack: boolean): Tally[] =>
  tallyJob({
    cause: file.job.confirmedCause,
    cameBack,
    corners: file.decisions.map((decision) => correctedAt(file, decision)),
    found: file.corners
      .filter((corner) => axleRow(file, corner))
      .flatMap((corner) => foundAt(file, corner)),
    marks: marksOf(file),
  });

/** Learns from a closed job, or learns anew where something came back; an open one teaches nothing. */
export async function learnFrom(jobId: string): Promise<void> {
  const db = await database();
  const file = await findJob(db, jobId);
  if (!file?.job.closedAt) return;
  if (file.job.signedAs === null) await keepSignedAs(db, jobId, asSigned(file));
  const tallies = talliesOf(file, await hasComeback(db, jobId));
  await saveTallies(db, jobId, file.job.closedAt.getFullYear(), tallies);
}

/**
 * Learns from a job whose own write is done already: a failure is told to whoever runs the
 * program, and undoes nothing. What was missed is caught up with at the next start.
 */
export async function learnAfter(jobId: string): Promise<void> {
  try {
    await learnFrom(jobId);
  } catch (error) {
    process.stderr.write(`Nothing was learnt from job ${jobId}: ${String(error)}\n`);
  }
}

const AT_A_TIME = 50;

/** Learns from every closed job that nothing was learnt from yet: after an import or an upgrade. */
export async function learnPending(): Promise<void> {
  const db = await database();
  for (;;) {
    const ids = await jobsToLearnFrom(db, AT_A_TIME);
    for (const id of ids) await learnFrom(id);
    if (ids.length < AT_A_TIME) return;
  }
}

const MOST_PROOFS = 150;

/** What the shop's closed jobs say, of one year or of all. */
export interface InsightsView extends Insights {
  readonly years: readonly number[];
  /** Corners of the latest jobs, predicted against measured. */
  readonly proofs: readonly ProofPoint[];
}

/** What the shop has learnt, from sums that are kept as jobs are closed. */
export async function insightsOf(year: number | null): Promise<InsightsView> {
  const db = await database();
  return {
    ...summarise(await cellsOf(db, year)),
    years: await talliedYears(db),
    proofs: await latestProofs(db, year, MOST_PROOFS),
  };
}
