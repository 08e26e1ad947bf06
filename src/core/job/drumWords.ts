import type { DrumWork } from '../drum';
import { CORNER_NAME, type Corner } from '../readings';
import type { LengthRole } from '../units';
import type { Verdict } from '../verdict';
import { drumAt, drumCorners } from './drums';
import { oncePer } from '../remember';
import type { Job } from './types';

/** A figure of a corner before and after the work on it. */
export interface BeforeAfter {
  readonly corner: Corner;
  readonly name: string;
  readonly role: LengthRole;
  readonly before: Verdict | null;
  readonly after: Verdict | null;
}

/** The figures of every drum of a job, before and after. */
export const drumFigures = oncePer((job: Job): readonly BeforeAfter[] =>
  drumCorners(job).flatMap((corner): BeforeAfter[] => {
    const { before, after } = drumAt(job, corner);
    return [
      {
        ...{ corner, name: 'Drum, largest diameter', role: 'size' },
        ...{ before: before?.size ?? null, after: after?.size ?? null },
      },
      {
        ...{ corner, name: 'Drum, out of round', role: 'deviation' },
        ...{ before: before?.round ?? null, after: after?.round ?? null },
      },
    ];
  }),
);

/** What work on a drum is to somebody who does not work on brakes. */
export const DRUM_PLAINLY: Readonly<Record<DrumWork, string>> = {
  keep: 'left as it was',
  cut: 'the brake drum was machined round',
  renew: 'a new brake drum was fitted',
};

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What was found at the drums, in plain words; `say` writes a length. */
export const drumsFound = (job: Job, say: (um: number, role: LengthRole) => string): string[] =>
  drumFigures(job).flatMap(({ corner, role, before }) => {
    if (!before || before.value === null || before.state === 'within') return [];
    const name = capital(CORNER_NAME[corner]);
    const figure = `${say(before.value, role)} (allowed: ${say(before.limit, role)})`;
    const what =
      role === 'size' ? 'the brake drum is worn to' : 'the brake drum is out of round by';
    return [
      `${name}: ${what} ${figure}: ${before.state === 'beyond' ? 'too much' : 'at its limit'}.`,
    ];
  });

/** What was done at the drums, in plain words. */
export const drumsWorked = (job: Job): string[] =>
  drumCorners(job).flatMap((corner) => {
    const { decision } = drumAt(job, corner);
    if (!decision?.isDone) return [];
    const { work, shoes } = decision;
    const parts = [
      ...(work === 'keep' ? [] : [DRUM_PLAINLY[work]]),
      ...(shoes ? ['new brake shoes were fitted'] : []),
    ];
    return parts.length > 0 ? [`${capital(CORNER_NAME[corner])}: ${parts.join('; ')}.`] : [];
  });
