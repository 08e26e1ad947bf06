import 'server-only';
import type { Outcome } from '../core/assessment';
import type { Corner } from '../core/readings';
import type { Verdict } from '../core/verdict';
import type { JobFile } from '../db/repositories';
import { judgeCorner } from './judge';
import { cornersToProve, feelOf, outcomeOf, ratiosOf } from './prove';
import { refuseDriven } from './rebuildGuard';
import { sayTime } from './rebuildView';
import { sayWhen } from './report/words';

/** One corner before and after, as its verdicts have it. */
export interface BeforeAfterRow {
  readonly corner: Corner;
  readonly runout: { readonly before: Verdict | null; readonly after: Verdict | null };
  readonly dtv: { readonly before: Verdict | null; readonly after: Verdict | null };
}

interface ProveNext {
  readonly todo: string;
  readonly why: string;
  readonly href: string;
  readonly label: string;
}

/** A record that is closed asks for nothing more. */
const signedOff = (base: string): ProveNext => ({
  todo: 'Signed off: the record is closed.',
  why: 'What comes later is added on its report.',
  href: `${base}/report`,
  label: 'Report',
});

/** The one next thing of the proof. */
function nextOf(file: JobFile, outcome: Outcome | null): ProveNext {
  const base = `/jobs/${file.job.id}`;
  if (file.job.closedAt !== null) return signedOff(base);
  const unmeasured = cornersToProve(file).find(
    (corner) => judgeCorner(file, corner, 'after').assessment.runout === null,
  );
  if (unmeasured) {
    return {
      todo: `Measure ${unmeasured} again, nuts or bolts at final torque.`,
      why: 'Nothing is cured until it measures so.',
      href: `${base}/prove/${unmeasured}`,
      label: `Measure ${unmeasured}`,
    };
  }
  if (refuseDriven(file) !== null) {
    return {
      todo: 'Finish the rebuild before it is driven.',
      why: 'What stands in the way is listed below.',
      href: `${base}/rebuild`,
      label: 'Rebuild',
    };
  }
  if (outcome?.state === 'not-cured') {
    return {
      todo: 'Not cured: decide again with what is known now.',
      why: 'The nose weighs what was measured and driven after the work.',
      href: `${base}/decide`,
      label: 'Decide again',
    };
  }
  if (!feelOf(file).after) {
    return {
      todo: 'Drive it again: the same road, the same speeds.',
      why: 'Then say how it felt, or record it.',
      href: `${base}/prove/road-test`,
      label: 'Record the drive again',
    };
  }
  return {
    todo: 'Sign it off.',
    why: 'What is open is listed there.',
    href: `${base}/report`,
    label: 'Report and sign-off',
  };
}

/** Everything that the Prove page shows. */
export function proveView(file: JobFile) {
  const outcome = outcomeOf(file);
  return {
    outcome,
    next: nextOf(file, outcome),
    corners: file.corners.map((corner): BeforeAfterRow => {
      const before = judgeCorner(file, corner, 'before').assessment;
      const after = judgeCorner(file, corner, 'after').assessment;
      return {
        corner,
        runout: {
          before: before.firstRunout?.verdict ?? null,
          after: after.runout?.verdict ?? null,
        },
        dtv: {
          before: before.thickness?.dtvVerdict ?? null,
          after: after.thickness?.dtvVerdict ?? null,
        },
      };
    }),
    ratios: ratiosOf(file),
    feel: feelOf(file),
    rechecks: file.rechecks.map(({ id, what, dueKm, dueOn, doneAt, doneBy }) => ({
      id,
      what,
      due: sayWhen({ dueKm, dueOn }),
      done: doneAt && `${sayTime(doneAt)} ${doneBy ?? ''}`,
    })),
  };
}
