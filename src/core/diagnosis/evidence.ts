import { weightOf } from './likelihood';
import { isChoice, type Knowledge } from './types';

/** What an answer or a figure says of one cause. */
export interface Evidence {
  readonly title: string;
  /** The answer, or the share of its limit that the figure usually is with the cause. */
  readonly found: { readonly answer: string } | { readonly ratio: number };
  readonly decibans: number;
}

/** A figure speaks for a cause where it is usually this many times what it is without one. */
const CLEARLY_MORE = 2;

/** What the knowledge says for a cause and against it, the strongest first. */
export function evidenceOn(
  knowledge: Knowledge,
  cause: string,
): { readonly for: readonly Evidence[]; readonly against: readonly Evidence[] } {
  const all = knowledge.findings.flatMap((finding): Evidence[] => {
    const { title } = finding;
    if (isChoice(finding)) {
      return finding.evidence.flatMap(({ value, db }) => {
        const decibans = db[cause];
        const answer = finding.values.find(({ code }) => code === value)?.label ?? value;
        return decibans ? [{ title, found: { answer }, decibans }] : [];
      });
    }
    const ratio = finding.evidence[0]?.medians[cause];
    return ratio !== undefined && ratio >= CLEARLY_MORE * finding.usual
      ? [{ title, found: { ratio }, decibans: weightOf(finding, ratio, cause) }]
      : [];
  });
  const strongest = all.sort((p, q) => Math.abs(q.decibans) - Math.abs(p.decibans));
  return {
    for: strongest.filter(({ decibans }) => decibans > 0),
    against: strongest.filter(({ decibans }) => decibans < 0),
  };
}
