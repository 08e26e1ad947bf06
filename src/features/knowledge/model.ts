import { KNOWLEDGE } from '@/core/contracts';
import { isChoice, type Overrides, type WeightChange } from '@/core/diagnosis';

type Numbers = Pick<Overrides, 'priors' | 'minutes'>;

const numberIn = (form: FormData, name: string): number => {
  const text = form.get(name);
  return typeof text === 'string' && text.trim() !== '' ? Number(text.replace(',', '.')) : NaN;
};

/** Reads the numbers that differ from what is shipped; the first that is none is named. */
export function changesIn(
  form: FormData,
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
function placeIn(form: FormData): Omit<WeightChange, 'decibans'> {
  const text = (name: string): string => String(form.get(name) ?? '');
  const [finding = '', value = ''] = text('answer').split(' ');
  return { finding, value, cause: text('cause') };
}

/** The changes with one more weight, or null where it is no weight. */
export function withWeight(overrides: Overrides, form: FormData): Overrides | null {
  const decibans = numberIn(form, 'decibans');
  if (!(Math.abs(decibans) <= 20)) return null;
  const place = placeIn(form);
  const others = overrides.weights.filter((each) => !isSame(each, place));
  return { ...overrides, weights: [...others, { ...place, decibans }] };
}

/** The changes without one weight. */
export const withoutWeight = (overrides: Overrides, form: FormData): Overrides => ({
  ...overrides,
  weights: overrides.weights.filter((each) => !isSame(each, placeIn(form))),
});

/** Every answer that a weight can be given to. */
export const answersOf = (): { value: string; label: string }[] =>
  KNOWLEDGE.findings.filter(isChoice).flatMap(({ code, title, values }) =>
    values.map((value) => ({
      value: `${code} ${value.code}`,
      label: `${title}: ${value.label}`,
    })),
  );
