import { sayAdvice } from '../assessment';
import type { Corner } from '../readings';
import type { UnitSystem } from '../units';
import { undecidedCorners } from './decided';
import { drumsToDo } from './drums';
import { judgeCorner } from './judge';
import type { NextThing } from './places';
import { isDrumAt } from './procedure';
import { proveNext } from './proveNext';
import { rebuildNext } from './rebuildNext';
import { openCorrection } from './rebuildSteps';
import { repairsToDo, sayRepair } from './repairs';
import { cornersToCorrect, currentStage, type Stage } from './stages';
import { stripNext } from './stripNext';
import type { Job } from './types';

/** What is measured next at a corner, in the words of its own bench. */
function measureNext(job: Job, corner: Corner, units: UnitSystem): NextThing {
  const place = { page: 'measure', corner } as const;
  if (isDrumAt(job, corner)) {
    return { todo: `Measure the drum ${corner}.`, why: '', place, label: `Measure ${corner}` };
  }
  const { advice, record } = judgeCorner(job, corner, 'before');
  const { todo, why } = sayAdvice(advice, { ...record, units });
  return { todo: `${corner}: ${todo}`, why, place, label: `Measure ${corner}` };
}

const decideNext = (job: Job): NextThing => ({
  todo: `Decide what to do at ${undecidedCorners(job).join(' and ')}.`,
  why: 'Every option stands side by side with what it costs and leaves.',
  place: { page: 'decide' },
  label: 'Decide',
});

function correctNext(job: Job): NextThing {
  const [repair] = repairsToDo(job);
  const corner = cornersToCorrect(job)[0] ?? drumsToDo(job)[0];
  const words = corner && openCorrection(job, corner)?.words;
  const ofCorner = corner ? `${corner}: ${words ?? 'correct the drum.'}` : null;
  return {
    todo: ofCorner ?? (repair ? `Put right: ${sayRepair(repair)}.` : 'Correct it.'),
    why: 'It is ticked where it is done.',
    place: { page: 'correct', corner },
    label: 'Correct',
  };
}

/** The one next thing of each stage while it is open. */
const NEXT_AT: Readonly<
  Record<Stage['key'], (job: Job, stage: Stage, units: UnitSystem) => NextThing>
> = {
  complaint: () => ({
    todo: 'Write down the complaint.',
    why: 'In the owner\u2019s words.',
    place: { page: 'complaint' },
    label: 'Complaint',
  }),
  'road-test': () => ({
    todo: 'Drive it, and say how it felt.',
    why: 'Or strip it: what was not driven is left out.',
    place: { page: 'road-test' },
    label: 'Road test',
  }),
  strip: stripNext,
  measure: (job, { corner }, units) => measureNext(job, corner ?? job.corners[0] ?? 'FL', units),
  decide: decideNext,
  correct: correctNext,
  rebuild: rebuildNext,
  prove: proveNext,
  report: () => ({
    todo: 'Sign it off.',
    why: 'What is open is listed there.',
    place: { page: 'report' },
    label: 'Report and sign-off',
  }),
};

/** The one next thing of a whole job: that of the first stage that is open. */
export function jobNext(job: Job, units: UnitSystem): NextThing {
  const stage = currentStage(job);
  if (!stage) throw new Error('A job has stages');
  return NEXT_AT[stage.key](job, stage, units);
}
