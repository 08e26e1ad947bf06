import { measuredSet } from '../core/assessment';
import type { Corner } from '../core/readings';
import type { JobFile } from '../db/repositories';
import { findCheck, progressAt } from './procedure';
import { signOffBlocks } from '../core/procedure';
import { cornersToProve, outcomeOf } from './prove';
import { closingOf } from './rebuild';
import { setsOfCorner, type Phase } from './record';

export interface Stage {
  readonly key: string;
  readonly label: string;
  readonly href: string;
  readonly state: 'done' | 'open' | 'left-out';
}

/** Whether a corner has a complete set of a kind. */
export const hasSet = (
  file: JobFile,
  corner: Corner,
  phase: Phase,
  kind: 'runout' | 'thickness',
): boolean =>
  setsOfCorner(file, corner, phase).some((set) => set.kind === kind && measuredSet(set) !== null);

const isMeasured = (file: JobFile, corner: Corner): boolean =>
  hasSet(file, corner, 'before', 'runout') && hasSet(file, corner, 'before', 'thickness');

/** Corners whose correction is not ticked as done yet. */
export const cornersToCorrect = (file: JobFile): Corner[] =>
  cornersToProve(file).filter((corner) => findCheck(file, 'correct', corner, 'done') === undefined);

function stateOf(done: boolean, closed: boolean): Stage['state'] {
  if (done) return 'done';
  return closed ? 'left-out' : 'open';
}

/** Whether a road test was driven: recorded, or its rate felt. */
const isDriven = (file: JobFile): boolean =>
  file.roadTests.some(({ phase }) => phase === 'before') ||
  file.findings.some(({ code }) => code === 'felt-order' || code === 'recording');

/** Whether everything at every corner of the job was looked at. */
const isStripped = (file: JobFile): boolean =>
  file.corners.every((corner) => {
    const { items, looked } = progressAt(file, corner);
    return items > 0 && looked === items;
  });

/** Whether the strip-down was gone about step by step, and not only a finding noted. */
const isBegun = (file: JobFile): boolean =>
  file.checks.some(({ kind }) => kind === 'step' || kind === 'lifting');

/** The stages of a job in the order of work, with how far each is. */
export function stagesOf(file: JobFile): Stage[] {
  const { job, corners } = file;
  const closed = job.closedAt !== null;
  const toProve = cornersToProve(file);
  const decided = corners.every((corner) =>
    file.decisions.some((decision) => decision.corner === corner),
  );
  const toCorrect = cornersToCorrect(file);
  const outcome = outcomeOf(file);
  const proven = decided && (outcome === null || ['cured', 'better'].includes(outcome.state));
  const measuredAgain = toProve.every((corner) => hasSet(file, corner, 'after', 'runout'));
  const closing = closingOf(file);
  const isApart = closing.corners.some(({ wheelOff }) => wheelOff);
  const first = corners[0] ?? 'FL';
  const stage = (key: string, label: string, path: string, done: boolean): Stage => ({
    key,
    label,
    href: `/jobs/${job.id}/${path}`,
    state: stateOf(done, closed),
  });
  return [
    stage('complaint', 'Complaint', 'complaint', job.complaint !== ''),
    {
      ...stage('road-test', 'Road test', 'road-test', isDriven(file)),
      ...(!isDriven(file) && file.sets.length > 0 ? { state: 'left-out' as const } : {}),
    },
    {
      ...stage('strip', 'Strip', 'strip', isStripped(file)),
      ...(!isStripped(file) && !isBegun(file) && file.sets.length > 0
        ? { state: 'left-out' as const }
        : {}),
    },
    stage(
      'measure',
      'Measure',
      `measure/${corners.find((corner) => !isMeasured(file, corner)) ?? first}`,
      corners.every((corner) => isMeasured(file, corner)),
    ),
    stage('decide', 'Decide', 'decide', decided),
    ...(toProve.length > 0
      ? [
          {
            ...stage(
              'correct',
              'Correct',
              `correct/${toCorrect[0] ?? toProve[0] ?? first}`,
              decided && toCorrect.length === 0,
            ),
            ...(toCorrect.length > 0 && measuredAgain ? { state: 'left-out' as const } : {}),
          },
        ]
      : []),
    ...(isApart
      ? [stage('rebuild', 'Rebuild', 'rebuild', signOffBlocks(closing).length === 0)]
      : []),
    stage('prove', 'Prove', 'prove', proven),
    stage('report', 'Report', 'report', closed),
  ];
}

/** The stage to open a job at: the first that is open, else the report. */
export const currentStage = (file: JobFile): Stage | undefined => {
  const stages = stagesOf(file);
  return stages.find(({ state }) => state === 'open') ?? stages.at(-1);
};
