import { axleOf, type AxlePosition, type Corner } from '../readings';
import { reasonOf, weightOf } from './likelihood';
import { oneByOne } from './several';
import {
  isChoice,
  type Cause,
  type Finding,
  type Knowledge,
  type RecordedFinding,
  type Term,
} from './types';

/**
 * From this probability on the cause counts as settled: at 60 % one in five of the settled would be
 * wrong, at 75 % one in eight, for a few minutes more (`bench/diagnosis.ts`). Source: handbook 12.
 */
export const SETTLED = 0.75;

export interface WeighInput {
  readonly findings: readonly RecordedFinding[];
  /** Codes of findings that are set aside: they do not weigh, and still forbid a drive. */
  readonly aside?: readonly string[] | undefined;
  /** Causes that this vehicle cannot have, by their codes. */
  readonly never?: readonly string[] | undefined;
  /** Only this axle is in question. */
  readonly axle?: AxlePosition | undefined;
  /** Corners of the job; a corner that was not looked at may still hold the fault. */
  readonly corners?: readonly Corner[] | undefined;
  /** Checks that this vehicle does not allow, by code. */
  readonly without?: readonly string[] | undefined;
  /** Share of each cause before any finding; the knowledge file's when left out. */
  readonly priors?: Readonly<Record<string, number>> | undefined;
}

/** Of one group the strongest evidence for a cause (0 or more) and against it (0 or less). */
export interface ForAndAgainst {
  readonly for: number;
  readonly against: number;
}

export interface WeighedCause {
  readonly code: string;
  readonly name: string;
  readonly means: string;
  readonly repair: string;
  readonly proof: string;
  readonly isOutside: boolean;
  readonly prior: number;
  readonly probability: number;
  /** What each finding adds, strongest first. */
  readonly terms: readonly Term[];
  /** Decibans of what counts of each group: the strongest for the cause and the strongest against. */
  readonly byGroup: ReadonlyMap<string, ForAndAgainst>;
  /** The corner or axle that the evidence names, or null. */
  readonly place: Corner | AxlePosition | null;
}

/** The findings that weigh: those that are not set aside, an answer each. */
export const weighing = (
  knowledge: Knowledge,
  { findings, aside = [] }: WeighInput,
): readonly RecordedFinding[] =>
  oneByOne(
    knowledge,
    findings.filter(({ code }) => !aside.includes(code)),
  );

/** What a cause that was seen and explains the complaint counts for: nothing that is only likely stands before it. */
const SEEN: number = 30;
/**
 * Before anybody has said whether what was seen explains the complaint, it stands first with at least this share:
 * in so many of the jobs drawn from the knowledge it is the cause (`bench/diagnosis.ts`).
 */
const SEEN_SHARE = 0.6;
/** The question whether what was seen explains the complaint, and the answer that it does not. */
export const EXPLAINS = 'explains';
const EXPLAINS_NOT = 'no';
const EXPLAINS_IT = 'yes';

/** A cause that somebody saw with the eyes. */
export interface SeenCause {
  readonly cause: string;
  readonly finding: string;
  readonly corner: Corner | null;
}

/** The causes that were seen; which of them explains the complaint is another question. */
export const seenIn = (
  knowledge: Knowledge,
  findings: readonly RecordedFinding[],
): readonly SeenCause[] =>
  findings.flatMap(({ code, value, corner }) => {
    const finding = knowledge.findings.find((each) => each.code === code);
    const sees =
      finding && isChoice(finding)
        ? finding.evidence.find((row) => row.value === value)?.sees
        : undefined;
    return sees === undefined ? [] : [{ cause: sees, finding: code, corner: corner ?? null }];
  });

/** Every cause's share before any finding, summing to 1 over those that are possible. */
function priorsOf(knowledge: Knowledge, { axle, priors, never }: WeighInput): Map<string, number> {
  const possible = knowledge.causes.filter(
    (cause) =>
      (axle === undefined || cause.axle === null || cause.axle === axle) &&
      !(never ?? []).includes(cause.code),
  );
  const share = (cause: Cause): number => priors?.[cause.code] ?? cause.prior;
  const total = possible.reduce((sum, cause) => sum + share(cause), 0);
  return new Map(possible.map((cause) => [cause.code, share(cause) / total]));
}

const isOf = (cause: Cause, corner: Corner | undefined): boolean =>
  corner === undefined || cause.axle === null || cause.axle === axleOf(corner);

/**
 * What all records of one finding add for a cause. A fault at one corner is enough, so the
 * corner that speaks most for the cause counts; where all speak against it, only the share
 * of the corners that were looked at counts.
 */
function termOf(
  finding: Finding,
  cause: Cause,
  records: readonly RecordedFinding[],
  corners: readonly Corner[] | undefined,
): Term | null {
  const weighed = records.filter(({ corner }) => isOf(cause, corner));
  let best: RecordedFinding | undefined;
  let most = -Infinity;
  for (const record of weighed) {
    const weight = weightOf(finding, record.value, cause.code);
    if (weight > most) [best, most] = [record, weight];
  }
  if (!best) return null;
  const asked = corners?.filter((corner) => isOf(cause, corner)).length ?? 0;
  const looked = best.corner === undefined || asked === 0 ? 1 : weighed.length / asked;
  const decibans = most < 0 ? most * Math.min(1, looked) : most;
  return {
    finding: finding.code,
    value: best.value,
    corner: best.corner ?? null,
    decibans,
    reason: reasonOf(finding, best.value, decibans),
    counted: true,
  };
}

interface GroupedTerm {
  readonly group: string;
  readonly term: Term;
}

/**
 * What counts of each group: the strongest term for the cause and the strongest against it, as
 * evidence against is never dropped because something else of its group speaks for the cause.
 * Ties go to the one met first. Source: handbook 12.
 */
function strongestByGroup(terms: readonly GroupedTerm[]): Map<string, readonly Term[]> {
  const strongest = new Map<string, { for?: Term; against?: Term }>();
  for (const { group, term } of terms) {
    const side = term.decibans < 0 ? 'against' : 'for';
    const known = strongest.get(group) ?? {};
    const rival = known[side];
    if (!rival || Math.abs(term.decibans) > Math.abs(rival.decibans)) {
      strongest.set(group, { ...known, [side]: term });
    }
  }
  return new Map(
    [...strongest].map(([group, sides]) => [
      group,
      [sides.for, sides.against].filter((term) => term !== undefined),
    ]),
  );
}

const forAndAgainst = (terms: readonly Term[]): ForAndAgainst => ({
  for: terms.find(({ decibans }) => decibans >= 0)?.decibans ?? 0,
  against: terms.find(({ decibans }) => decibans < 0)?.decibans ?? 0,
});

const sumOf = (byGroup: ReadonlyMap<string, ForAndAgainst>): number =>
  [...byGroup.values()].reduce((sum, each) => sum + each.for + each.against, 0);

/** Weight from which a term names the corner of a cause. */
const NAMES_A_CORNER = 3;

function likeliestPlace(cause: Cause, terms: readonly Term[]): Corner | AxlePosition | null {
  const named = terms
    .filter(({ counted, corner, decibans }) => counted && corner && decibans >= NAMES_A_CORNER)
    .sort((p, q) => q.decibans - p.decibans)[0];
  return named?.corner ?? cause.axle;
}

/** Odds with what was seen: it explains the complaint, or it may, and stands first until that is said. */
function withSight(
  odds: readonly number[],
  isSeen: readonly boolean[],
  isExplained: boolean,
): readonly number[] {
  const sum = (which: boolean): number =>
    odds.reduce((all, each, i) => (isSeen[i] === which ? all + each : all), 0);
  const [seen, others] = [sum(true), sum(false)];
  if (seen === 0) return odds;
  const asked = ((SEEN_SHARE / (1 - SEEN_SHARE)) * others) / seen;
  const factor = isExplained ? 10 ** (SEEN / 10) : Math.max(1, asked);
  return odds.map((each, i) => (isSeen[i] ? each * factor : each));
}

/**
 * Weighs the findings: each cause's log-odds in decibans from its prior, plus what each
 * finding adds, brought to probabilities over all causes. Records of unknown findings or
 * values are not accepted here: check them first. Most probable first. Source: handbook 12.
 */
export function weigh(knowledge: Knowledge, input: WeighInput): WeighedCause[] {
  const priors = priorsOf(knowledge, input);
  const all = weighing(knowledge, input);
  // What was seen and does not explain the complaint is put right; it says nothing of the cause.
  const isElsewhere = all.some(({ code, value }) => code === EXPLAINS && value === EXPLAINS_NOT);
  const seen = seenIn(knowledge, all);
  const findings = isElsewhere
    ? all.filter(({ code }) => !seen.some(({ finding }) => finding === code))
    : all;
  const sights = isElsewhere ? [] : seen;
  const recorded = knowledge.findings.flatMap((finding) => {
    const records = findings.filter(({ code }) => code === finding.code);
    return records.length > 0 ? [{ finding, records }] : [];
  });
  const possible = knowledge.causes.filter(({ code }) => priors.has(code));
  const weighed = possible.map((cause) => {
    const terms = recorded.flatMap(({ finding, records }) => {
      const term = termOf(finding, cause, records, input.corners);
      return term ? [{ group: finding.group, term }] : [];
    });
    const strongest = strongestByGroup(terms);
    const byGroup = new Map([...strongest].map(([group, own]) => [group, forAndAgainst(own)]));
    const counted = terms.map(({ group, term }) =>
      strongest.get(group)?.includes(term) ? term : { ...term, counted: false },
    );
    return { cause, terms: counted, byGroup };
  });
  const isExplained = all.some(({ code, value }) => code === EXPLAINS && value === EXPLAINS_IT);
  const odds = withSight(
    weighed.map(({ cause, byGroup }) => priors.get(cause.code)! * 10 ** (sumOf(byGroup) / 10)),
    weighed.map(({ cause }) => sights.some((each) => each.cause === cause.code)),
    isExplained,
  );
  const total = odds.reduce((sum, each) => sum + each, 0);
  return weighed
    .map(({ cause, terms, byGroup }, i) => ({
      code: cause.code,
      name: cause.name,
      means: cause.means,
      repair: cause.repair,
      proof: cause.proof,
      isOutside: cause.isOutside,
      prior: priors.get(cause.code)!,
      probability: odds[i]! / total,
      terms: terms.toSorted((p, q) => Math.abs(q.decibans) - Math.abs(p.decibans)),
      byGroup,
      place: likeliestPlace(cause, terms),
    }))
    .sort((p, q) => q.probability - p.probability);
}
