import 'server-only';
import type { Corner } from '../../core/readings';
import {
  asFirstRead,
  type BeforeAfter,
  drumFigures,
  feelOf,
  type Job,
  judgeCorner,
  outcomeOf,
  ratiosOf,
  rotorCorners,
  proveNext,
} from '../../core/job';
import { sayTime } from '../rebuild/rebuildView';
import { sayWhen } from '../report/words';

/** Runout and thickness variation of a rotor before and after, as its verdicts have it. */
function rotorRows(job: Job, corner: Corner): BeforeAfter[] {
  const before = judgeCorner(job, corner, 'before').assessment;
  const after = judgeCorner(job, corner, 'after').assessment;
  return [
    {
      ...{ corner, name: 'Lateral runout', role: 'deviation' },
      before: asFirstRead(job, corner).assessment.firstRunout?.verdict ?? null,
      after: after.runout?.verdict ?? null,
    },
    {
      ...{ corner, name: 'Thickness variation', role: 'deviation' },
      before: before.thickness?.dtvVerdict ?? null,
      after: after.thickness?.dtvVerdict ?? null,
    },
  ];
}

/** Everything that the Prove page shows. */
export function proveView(job: Job) {
  const outcome = outcomeOf(job);
  return {
    outcome,
    next: proveNext(job),
    rows: [...rotorCorners(job).flatMap((corner) => rotorRows(job, corner)), ...drumFigures(job)],
    ratios: ratiosOf(job),
    feel: feelOf(job),
    rechecks: job.rechecks.map(({ id, what, dueKm, dueOn, doneAt, doneBy }) => ({
      id,
      what,
      due: sayWhen({ dueKm, dueOn }),
      done: doneAt && `${sayTime(doneAt)} ${doneBy ?? ''}`,
    })),
  };
}
