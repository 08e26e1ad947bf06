import type { RecordedFinding } from '../diagnosis';
import { axleOf, CORNERS, type Corner } from '../readings';
import { WATER, WHEEL_ITEMS, wheelSays, type KeptFigures } from '../wheels';
import { findCheck } from './checks';
import { oncePer } from '../remember';
import type { Job } from './types';

/** What was measured at the wheels and of the fluid, as it is kept. */
function keptFigures(job: Job): KeptFigures[] {
  const places: [KeptFigures['code'], Corner | null][] = [
    ...WHEEL_ITEMS.flatMap(({ code }) =>
      CORNERS.map((corner): [typeof code, Corner] => [code, corner]),
    ),
    [WATER.code, null],
  ];
  return places.flatMap(([code, corner]) => {
    const value = findCheck(job, 'figure', corner ?? '', code)?.value;
    return value && 'figures' in value ? [{ code, corner, figures: value.figures }] : [];
  });
}

/** What the figures of the wheels say, each with why. Source: handbook 12. */
export const wheelFiguresSay = oncePer((job: Job): ReturnType<typeof wheelSays> =>
  wheelSays(keptFigures(job), (corner) => {
    const figure = job.torque.find(
      ({ axle, fastener }) => axle === axleOf(corner) && fastener === 'wheel-nuts',
    );
    return figure?.valueNm ?? null;
  }),
);

/** The same as findings. */
export const wheelFindings = (job: Job): RecordedFinding[] =>
  wheelFiguresSay(job).map(({ item, corner, value }) => ({
    code: item.says,
    value,
    corner: corner ?? undefined,
  }));
