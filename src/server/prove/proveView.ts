import 'server-only';
import type { Corner } from '../../core/readings';
import type { Verdict } from '../../core/verdict';
import {
  asFirstRead,
  feelOf,
  type Job,
  judgeCorner,
  outcomeOf,
  ratiosOf,
  proveNext,
} from '../../core/job';
import { sayTime } from '../rebuild/rebuildView';
import { sayWhen } from '../report/words';

/** One corner before and after, as its verdicts have it. */
export interface BeforeAfterRow {
  readonly corner: Corner;
  readonly runout: { readonly before: Verdict | null; readonly after: Verdict | null };
  readonly dtv: { readonly before: Verdict | null; readonly after: Verdict | null };
}

/** Everything that the Prove page shows. */
export function proveView(job: Job) {
  const outcome = outcomeOf(job);
  return {
    outcome,
    next: proveNext(job),
    corners: job.corners.map((corner): BeforeAfterRow => {
      const before = judgeCorner(job, corner, 'before').assessment;
      const after = judgeCorner(job, corner, 'after').assessment;
      return {
        corner,
        runout: {
          before: asFirstRead(job, corner).assessment.firstRunout?.verdict ?? null,
          after: after.runout?.verdict ?? null,
        },
        dtv: {
          before: before.thickness?.dtvVerdict ?? null,
          after: after.thickness?.dtvVerdict ?? null,
        },
      };
    }),
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
