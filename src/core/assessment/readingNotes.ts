import type { Reason, Verdict } from '../verdict';
import type { MeasuredSet } from './record';

/** A verdict that also names what else is known of the quality of its set. */
export const withReasons = (verdict: Verdict, reasons: readonly Reason[] = []): Verdict =>
  reasons.length === 0 ? verdict : { ...verdict, reasons: [...verdict.reasons, ...reasons] };

const GAUGE_CODES: readonly Reason['code'][] = ['overdue', 'virtual'];
const NOTED_CODES: readonly Reason['code'][] = [...GAUGE_CODES, 'not-prepared'];

/** What some sets say of their quality, of these kinds, each thing once. */
function saidOf(
  sets: readonly (MeasuredSet | undefined)[],
  codes: readonly Reason['code'][],
): Reason[] {
  const told = sets.flatMap((set) => set?.quality ?? []).filter(({ code }) => codes.includes(code));
  return [...new Map(told.map((reason) => [JSON.stringify(reason), reason])).values()];
}

/** What a report tells of how the sets were read: their gauges, and what was left out. */
export const readingNotes = (sets: readonly MeasuredSet[]): Reason[] => saidOf(sets, NOTED_CODES);

/** A result whose verdict also names what is wrong with the gauges it rests on. */
export const onTheirGauges = <Result extends { readonly verdict: Verdict }>(
  result: Result,
  sets: readonly (MeasuredSet | undefined)[],
): Result => ({ ...result, verdict: withReasons(result.verdict, saidOf(sets, GAUGE_CODES)) });
