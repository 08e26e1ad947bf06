import 'server-only';
import { formatDate, isToday } from '../../core/calendar';
import { PROCEDURE } from '../../core/contracts';
import { contactsBy } from '../../core/procedure';
import { CORNER_NAME, type Corner } from '../../core/readings';
import {
  fastenersAt,
  isForAnyWheel,
  type Check,
  findCheck,
  type Job,
  readinessOf,
  rebuildContext,
  rebuildSteps,
  starAt,
} from '../../core/job';

/** A time in words: of the day where it is today. */
export const sayTime = (at: Date): string => formatDate(at, isToday(at) ? 'HH:mm' : 'D MMM, HH:mm');

/** A written step as the screens have it, or null. */
export const stepView = (row: Check | undefined) =>
  row === undefined
    ? null
    : { value: row.value, note: row.note, by: row.by, at: sayTime(row.at), stamp: row.stamp };

/** A corner of the rebuild in figures. */
export function cornerProgress(job: Job, corner: Corner) {
  const steps = rebuildSteps(job, corner);
  const fasteners = fastenersAt(job, corner);
  const star = starAt(job, corner);
  const state = readinessOf(job).corners.find((each) => each.corner === corner);
  return {
    corner,
    name: CORNER_NAME[corner],
    wheelOff: state?.wheelOff ?? false,
    steps: steps.length,
    stepsDone: steps.filter(({ code }) => findCheck(job, 'rebuild', corner, code)).length,
    inTray: state?.inTray.length ?? 0,
    fasteners: fasteners.length,
    pulled: fasteners.filter(({ pulled }) => pulled !== null).length,
    noFigure: fasteners.filter(({ figure }) => figure === null).length,
    star: star.pulls.length,
    starOf: star.of,
  };
}

/** The fasteners of a corner as its torque list shows them. */
export function fastenerViews(job: Job, corner: Corner) {
  const context = rebuildContext(job, corner);
  const contacts = context ? contactsBy(PROCEDURE, context) : [];
  return fastenersAt(job, corner).map(({ fastener, name, figure, pulled, stamp }) => ({
    stamp,
    code: fastener.code,
    name,
    say: fastener.say,
    stages: figure?.stages ?? fastener.stages,
    product: contacts.find(({ code }) => code === fastener.contact)?.product ?? '',
    figure: figure && {
      nm: figure.valueNm,
      forAnyWheel: isForAnyWheel(job, figure),
      source: figure.source,
      angle: figure.angle,
      treatment: figure.treatment,
      oneUse: figure.oneUse,
      by: figure.by,
    },
    pulled: pulled && {
      value: pulled.row.value,
      note: pulled.row.note,
      by: pulled.row.by,
      at: sayTime(pulled.row.at),
      stamp: pulled.row.stamp,
      nm: pulled.torque.nm,
    },
  }));
}
