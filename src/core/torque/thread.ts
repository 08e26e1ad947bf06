import type { NewtonMetres } from '../units';

const METRIC = /^M\s*(\d{1,2})(?:\s*[x×]\s*\d(?:[.,]\d{1,2})?)?$/i;
const INCH = /^(\d)\s*\/\s*(\d{1,2})\s*(?:["”]|in)?(?:\s*[-x×]\s*\d{2})?$/i;

/** Diameter in millimetres of a thread like M12x1.5 or 1/2-20; null where it is none. */
export function threadDiameter(text: string): number | null {
  const [, metric] = METRIC.exec(text.trim()) ?? [];
  const [, over, under] = INCH.exec(text.trim()) ?? [];
  const diameter =
    metric !== undefined
      ? Number(metric)
      : over && under
        ? (25.4 * Number(over)) / Number(under)
        : NaN;
  return diameter >= 8 && diameter <= 24 ? diameter : null;
}

/**
 * Usual torque of a wheel nut by the diameter of its thread, from each on: a few threads of road
 * vehicles, wide enough for steel and alloy wheels. Assumption: the handbook (15) asks for the range
 * of the thread and gives none.
 */
const USUAL_BY_DIAMETER: readonly (readonly [number, readonly [NewtonMetres, NewtonMetres]])[] = [
  [8, [25, 70]],
  [11.5, [75, 135]],
  [13.5, [100, 200]],
  [15.5, [150, 280]],
  [17.5, [250, 650]],
];

/** The torques that are usual for a wheel nut or bolt of a thread; null where it is not known. */
export function usualOfThread(thread: string | null): readonly [NewtonMetres, NewtonMetres] | null {
  const diameter = thread === null ? null : threadDiameter(thread);
  if (diameter === null) return null;
  return USUAL_BY_DIAMETER.findLast(([from]) => diameter >= from)?.[1] ?? null;
}
