import { isChoice, type ChoiceFinding, type Knowledge } from './types';

/** What a shop has changed in the knowledge; everything else stays as it is shipped. */
export interface Overrides {
  /** Jobs in about a hundred, by cause. */
  readonly priors: Readonly<Record<string, number>>;
  /** Minutes by finding. */
  readonly minutes: Readonly<Record<string, number>>;
  readonly weights: readonly WeightChange[];
}

/** The shop's own weight of one answer for one cause. */
export interface WeightChange {
  readonly finding: string;
  readonly value: string;
  readonly cause: string;
  readonly decibans: number;
}

export const NO_OVERRIDES: Overrides = { priors: {}, minutes: {}, weights: [] };

const SHOPS_OWN = 'The shop\u2019s own weight.';

function withWeight(finding: ChoiceFinding, change: WeightChange): ChoiceFinding {
  const { value, cause, decibans } = change;
  const has = finding.evidence.some((row) => row.value === value);
  const evidence = has
    ? finding.evidence.map((row) =>
        row.value === value ? { ...row, db: { ...row.db, [cause]: decibans } } : row,
      )
    : [...finding.evidence, { value, why: SHOPS_OWN, db: { [cause]: decibans } }];
  return { ...finding, evidence };
}

/** The shipped knowledge with the shop's changes laid over it. */
export const applyOverrides = (knowledge: Knowledge, overrides: Overrides): Knowledge => ({
  ...knowledge,
  causes: knowledge.causes.map((cause) => ({
    ...cause,
    prior: overrides.priors[cause.code] ?? cause.prior,
  })),
  findings: knowledge.findings.map((finding) => {
    const timed = { ...finding, minutes: overrides.minutes[finding.code] ?? finding.minutes };
    if (!isChoice(timed)) return timed;
    return overrides.weights
      .filter((change) => change.finding === finding.code)
      .reduce(withWeight, timed);
  }),
});
