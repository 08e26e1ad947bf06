import { isChoice, type ChoiceFinding, type Finding, type RatioFinding } from './types';

/** So far below the best cause of a measured figure any other is held, in decibans. Source: handbook 12. */
const FLOOR_BELOW_BEST = 20;
/** Smallest share of a limit that is told apart from nothing. */
const SMALLEST_RATIO = 0.05;
const DECIBANS_PER_NEPER = 10 / Math.LN10;

/** Share of the answers that a cause leaves to those that are not weighed. */
function left(finding: ChoiceFinding, cause: string): { weighed: number; usual: number } {
  let weighed = 0;
  let usual = 0;
  for (const value of finding.values) {
    const db = weightGiven(finding, value.code, cause);
    if (db === null) usual += value.usual;
    else weighed += value.usual * 10 ** (db / 10);
  }
  return { weighed, usual };
}

/** The weight written in the knowledge file for an answer and a cause, or null. */
function weightGiven(finding: ChoiceFinding, value: string, cause: string): number | null {
  return finding.evidence.find((row) => row.value === value)?.db[cause] ?? null;
}

/**
 * Probability of an answer given a cause. The answers that carry no weight for the cause
 * share what the weighed ones leave, in proportion to how usual they are, so that the
 * answers of a finding always sum to 1 (what speaks for a cause when seen speaks against it
 * when looked for and not seen).
 */
export function probabilityOfValue(finding: ChoiceFinding, value: string, cause: string): number {
  const known = KNOWN.get(finding) ?? new Map<string, number>();
  KNOWN.set(finding, known);
  const key = `${value} ${cause}`;
  const probability = known.get(key) ?? probabilityAnew(finding, value, cause);
  known.set(key, probability);
  return probability;
}

/** Probabilities found before: they are asked for again and again. */
const KNOWN = new WeakMap<ChoiceFinding, Map<string, number>>();

function probabilityAnew(finding: ChoiceFinding, value: string, cause: string): number {
  const usual = finding.values.find(({ code }) => code === value)?.usual ?? 0;
  const given = weightGiven(finding, value, cause);
  const rest = left(finding, cause);
  if (rest.usual === 0) return (usual * 10 ** ((given ?? 0) / 10)) / rest.weighed;
  if (given !== null) return usual * 10 ** (given / 10);
  return (usual * (1 - rest.weighed)) / rest.usual;
}

/** Median of the share of the limit with a cause. */
export const medianOf = (finding: RatioFinding, cause: string): number =>
  finding.evidence[0]?.medians[cause] ?? finding.usual;

/** The logarithm of a share of the limit, kept off zero. */
const logRatio = (ratio: number): number => Math.log(Math.max(ratio, SMALLEST_RATIO));

/** The likelihood ratio of a share of the limit with a median against the usual one, in decibans. */
function ratioAgainstUsual(finding: RatioFinding, ratio: number, median: number): number {
  const [here, usual] = [Math.log(median), Math.log(finding.usual)];
  const nepers = ((here - usual) / finding.spread ** 2) * (logRatio(ratio) - (here + usual) / 2);
  return nepers * DECIBANS_PER_NEPER;
}

/**
 * Weight of a measured share of the limit: the likelihood ratio of two log-normal distributions
 * of one spread. No cause is capped by itself, which would make all tie far beyond a limit: a cause
 * more than 20 dB below the best one of the figure is held there, and all are counted from where
 * that leaves a cause of which nothing is known. Source: handbook 12.
 */
function ratioWeight(finding: RatioFinding, ratio: number, cause: string): number {
  const medians = Object.values(finding.evidence[0]?.medians ?? {});
  const best = Math.max(0, ...medians.map((median) => ratioAgainstUsual(finding, ratio, median)));
  const floor = best - FLOOR_BELOW_BEST;
  const own = ratioAgainstUsual(finding, ratio, medianOf(finding, cause));
  return Math.max(own, floor) - Math.max(0, floor);
}

/** What a value of a finding adds to a cause's log-odds, in decibans. Source: handbook 12. */
export function weightOf(finding: Finding, value: string | number, cause: string): number {
  if (!isChoice(finding)) return ratioWeight(finding, Number(value), cause);
  const usual = finding.values.find(({ code }) => code === value)?.usual;
  if (usual === undefined) return 0;
  return 10 * Math.log10(probabilityOfValue(finding, String(value), cause) / usual);
}

/** The reason for a term, in one sentence. */
export function reasonOf(finding: Finding, value: string | number, decibans: number): string {
  if (!isChoice(finding)) {
    const [row] = finding.evidence;
    return (decibans >= 0 ? row?.why : row?.whyLow) ?? '';
  }
  const why = finding.evidence.find((row) => row.value === value)?.why;
  const label = finding.values.find(({ code }) => code === value)?.label ?? '';
  const often = decibans >= 0 ? 'more' : 'less';
  return why ?? `\u201c${label}\u201d is ${often} often found with this cause.`;
}

/** A grid of answers of a finding with their probability given each cause. */
export interface AnswerAhead {
  readonly value: string | number;
  readonly label: string;
  readonly given: (cause: string) => number;
}

/** Points of the grid that stands for a measured figure: shares of the limit. */
const RATIO_GRID = [0.15, 0.3, 0.5, 0.75, 1, 1.4, 2, 3, 4.5];

/** The outcomes that a check can have. */
export function answersAhead(finding: Finding): AnswerAhead[] {
  if (isChoice(finding)) {
    return finding.values.map(({ code, label }) => ({
      value: code,
      label,
      given: (cause) => probabilityOfValue(finding, code, cause),
    }));
  }
  const density = (ratio: number, cause: string): number =>
    Math.exp(-(((Math.log(ratio) - Math.log(medianOf(finding, cause))) / finding.spread) ** 2) / 2);
  const totals = new Map<string, number>();
  const total = (cause: string): number => {
    const known = totals.get(cause);
    if (known !== undefined) return known;
    const sum = RATIO_GRID.reduce((all, each) => all + density(each, cause), 0);
    totals.set(cause, sum);
    return sum;
  };
  return RATIO_GRID.map((ratio) => ({
    value: ratio,
    label: `${ratio} \u00d7 its limit`,
    given: (cause) => density(ratio, cause) / total(cause),
  }));
}
