import { KNOWLEDGE } from '../../core/contracts';
import type { Overrides, WeightChange } from '../../core/diagnosis';

/** The fields of a form by name. */
export type Fields = Readonly<Record<string, string>>;

type Numbers = Pick<Overrides, 'priors' | 'minutes'>;

const numberIn = (form: Fields, name: string): number => {
  const text = form[name];
  return text !== undefined && text.trim() !== '' ? Number(text.replace(',', '.')) : NaN;
};

/** Reads the numbers that differ from what is shipped; the first that is none is named. */
export function changesIn(
  form: Fields,
): { readonly ok: true; readonly value: Numbers } | { readonly ok: false; readonly words: string } {
  const priors: Record<string, number> = {};
  const minutes: Record<string, number> = {};
  for (const { code, name, prior } of KNOWLEDGE.causes) {
    const value = numberIn(form, `prior.${code}`);
    if (!(value >= 0.1 && value <= 1000)) {
      return { ok: false, words: `${name}: write a share from 0.1 to 1000.` };
    }
    if (value !== prior) priors[code] = value;
  }
  for (const finding of KNOWLEDGE.findings) {
    const value = numberIn(form, `minutes.${finding.code}`);
    if (!(value >= 0.1 && value <= 240)) {
      return { ok: false, words: `${finding.title}: write minutes from 0.1 to 240.` };
    }
    if (value !== finding.minutes) minutes[finding.code] = value;
  }
  return { ok: true, value: { priors, minutes } };
}

const isSame = (p: WeightChange, q: Omit<WeightChange, 'decibans'>): boolean =>
  p.finding === q.finding && p.value === q.value && p.cause === q.cause;

/** The place of a weight in a form: answer as "finding value", and cause. */
function placeIn(form: Fields): Omit<WeightChange, 'decibans'> {
  const [finding = '', value = ''] = (form.answer ?? '').split(' ');
  return { finding, value, cause: form.cause ?? '' };
}

/** The changes with one more weight, or null where it is no weight. */
export function withWeight(overrides: Overrides, form: Fields): Overrides | null {
  const decibans = numberIn(form, 'decibans');
  if (!(Math.abs(decibans) <= 20)) return null;
  const place = placeIn(form);
  const others = overrides.weights.filter((each) => !isSame(each, place));
  return { ...overrides, weights: [...others, { ...place, decibans }] };
}

/** The changes without one weight. */
export const withoutWeight = (overrides: Overrides, form: Fields): Overrides => ({
  ...overrides,
  weights: overrides.weights.filter((each) => !isSame(each, placeIn(form))),
});
