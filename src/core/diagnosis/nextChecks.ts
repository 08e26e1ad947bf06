import { answersAhead, weightOf, type AnswerAhead } from './likelihood';
import { advisesNoDrive } from './safety';
import { isChoice, type Finding, type Knowledge } from './types';
import { percent } from './words';
import {
  EXPLAINS,
  seenIn,
  SETTLED,
  weigh,
  weighing,
  type WeighedCause,
  type WeighInput,
} from './weigh';

/** A check that is worth doing next. */
export interface NextCheck {
  readonly code: string;
  readonly title: string;
  readonly question: string;
  readonly how: string | null;
  /** Expected information in bits under the present odds. */
  readonly bits: number;
  /** Minutes it takes now, with the wheel off first where it must be. */
  readonly minutes: number;
  readonly wheelOff: boolean;
  /** What each outcome would change, in words. */
  readonly changes: readonly string[];
}

const PROPOSED = 3;
/** Checks this near to the best are taken in the order of the knowledge file, cheap first. */
const NEAR_EQUAL = 0.85;
/** Of a measured figure's outcomes those that are told: well within, and twice the limit. */
const TOLD_RATIOS = [2, 6];
/** A check that tells less than this is not proposed. */
const FEWEST_BITS = 0.005;

const entropy = (probabilities: readonly number[]): number =>
  probabilities.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);

/** The probabilities after an outcome: only the check's own group changes. */
function after(now: readonly WeighedCause[], finding: Finding, outcome: AnswerAhead): number[] {
  const odds = now.map((cause) => {
    const before = cause.byGroup.get(finding.group) ?? { for: 0, against: 0 };
    const own = weightOf(finding, outcome.value, cause.code);
    // Beside what its group says already only what is stronger changes anything.
    const change = own < 0 ? Math.min(0, own - before.against) : Math.max(0, own - before.for);
    return cause.probability * 10 ** (change / 10);
  });
  const total = odds.reduce((sum, each) => sum + each, 0);
  return odds.map((each) => each / total);
}

/** Bits that a check is expected to give, and what each outcome would change. */
function lookAhead(
  finding: Finding,
  now: readonly WeighedCause[],
): { bits: number; changes: string[]; turns: boolean } {
  let expected = 0;
  const outcomes = answersAhead(finding).map((outcome) => {
    const then = after(now, finding, outcome);
    const chance = now.reduce(
      (sum, cause) => sum + cause.probability * outcome.given(cause.code),
      0,
    );
    expected += chance * entropy(then);
    const most = Math.max(...then);
    const first = now[then.indexOf(most)]!;
    return { label: outcome.label, first: first.name, code: first.code, most };
  });
  const told = isChoice(finding) ? outcomes : outcomes.filter((_, i) => TOLD_RATIOS.includes(i));
  const before = entropy(now.map(({ probability }) => probability));
  const isSettled = (probability: number): boolean => probability >= SETTLED;
  const [first] = now;
  return {
    bits: Math.max(0, before - expected),
    turns: outcomes.some(
      ({ code, most }) => code !== first?.code || isSettled(most) !== isSettled(first.probability),
    ),
    changes: told.map(({ label, first, most }) => `${label}: ${first} ${percent(most)}`),
  };
}

/** From here on a check that can turn nothing is work for nothing. */
const SURE = 0.95;

/** Whether anything was seen, driven or measured: of a complaint alone nobody is sure. */
const isMoreThanAsked = (knowledge: Knowledge, input: WeighInput): boolean =>
  weighing(knowledge, input).some(({ code }) =>
    knowledge.findings.some((each) => each.code === code && each.stage !== 'complaint'),
  );

/** Whether a check for which a wheel comes off is on record, so that it is off already. */
function isWheelOff(knowledge: Knowledge, input: WeighInput): boolean {
  return input.findings.some(({ code }) =>
    knowledge.findings.some((finding) => finding.code === code && finding.wheelOff),
  );
}

/** Whether a finding is on record, at every corner of the job where it is found at corners. */
function isDone(knowledge: Knowledge, { code, perCorner }: Finding, input: WeighInput): boolean {
  const records = weighing(knowledge, input).filter((record) => record.code === code);
  const corners = input.corners ?? [];
  if (!perCorner || corners.length === 0) return records.length > 0;
  return corners.every((corner) =>
    records.some((record) => record.corner === undefined || record.corner === corner),
  );
}

/**
 * The checks worth doing next, by bits a minute, best first; of near-equals the one that
 * stands first in the knowledge file (pressures before pins, pins before pads, pads before
 * rotors). Questions of the complaint are asked, not proposed; a drive is not proposed where
 * it is not safe, whatever was set aside; nothing whose every outcome leaves the first cause as it
 * is, unless nothing else is left and it is not sure yet. Source: handbook 12.
 */
export function nextChecks(knowledge: Knowledge, input: WeighInput, most = PROPOSED): NextCheck[] {
  const now = weigh(knowledge, input);
  const isOff = isWheelOff(knowledge, input);
  const noDrive = advisesNoDrive(input.findings) !== null;
  const left = knowledge.findings
    .filter(({ code, stage }) => stage !== 'complaint' && code !== EXPLAINS)
    .filter(({ code }) => !(input.without ?? []).includes(code))
    .filter((finding) => !isDone(knowledge, finding, input))
    .filter(({ stage }) => !(noDrive && stage === 'road-test'))
    .map((finding): NextCheck & { readonly turns: boolean } => {
      const { code, title, question, how, wheelOff } = finding;
      const minutes = finding.minutes + (wheelOff && !isOff ? knowledge.wheelOffMinutes : 0);
      const ahead = lookAhead(finding, now);
      return { code, title, question, how: how ?? null, minutes, wheelOff, ...ahead };
    })
    .filter(({ bits }) => bits >= FEWEST_BITS);
  const asked = sightToAsk(knowledge, input, now);
  // What leaves the first cause as it is whatever is found is done only where nothing else is left.
  const telling = left.filter(({ turns }) => turns);
  const isSure =
    now[0] !== undefined && now[0].probability >= SURE && isMoreThanAsked(knowledge, input);
  const proposed = bestOf(
    telling.length > 0 || isSure ? telling : left,
    asked ? most - 1 : most,
    inOrderOfWork(knowledge, input),
  );
  const kept = isOff ? proposed : beforeLoosening(proposed, left, most);
  return asked ? [asked, ...kept] : kept;
}

/** Something was seen: before anything else it is asked whether it explains the complaint. */
function sightToAsk(
  knowledge: Knowledge,
  input: WeighInput,
  [first]: readonly WeighedCause[],
): NextCheck | null {
  const all = weighing(knowledge, input);
  const finding = knowledge.findings.find(({ code }) => code === EXPLAINS);
  const seen = seenIn(knowledge, all);
  if (!finding || seen.length === 0 || all.some(({ code }) => code === EXPLAINS)) return null;
  const name = (code: string): string =>
    knowledge.causes.find((cause) => cause.code === code)?.name ?? code;
  const { code, title, question, how, minutes, wheelOff } = finding;
  return {
    ...{ code, title, question, how: how ?? null, minutes, wheelOff },
    bits: 1,
    changes: [
      `Yes: ${name(seen[0]!.cause)}, seen; put right, it is the cause`,
      `No: put right all the same, and ${first?.code === seen[0]!.cause ? 'the search goes on' : `${first?.name ?? 'the search'} goes on`}`,
    ],
  };
}

/** Looking comes before driving, and parts before driving where parts are new: by how much. */
const LOOK_FIRST = 1.6;
const NEW_PARTS_FIRST = 1.6;
/** Work after which the parts themselves are looked at first, and what is looked at. */
const NEW_PARTS = ['brakes-renewed', 'renewed-again', 'pads-only', 'used-parts', 'machined'];
const PARTS = ['part-check', 'box-check', 'fixing-check', 'pad-look'];

/** What a check is worth more or less for its place in the order of work. Source: handbook 12. */
function inOrderOfWork(knowledge: Knowledge, input: WeighInput): (code: string) => number {
  const hasNewParts = weighing(knowledge, input).some(
    ({ code, value }) => code === 'lately' && NEW_PARTS.includes(String(value)),
  );
  const drives = new Set(
    knowledge.findings.flatMap(({ code, stage }) => (stage === 'road-test' ? [code] : [])),
  );
  return (code) => {
    const isPart = hasNewParts && PARTS.includes(code);
    return (drives.has(code) ? 1 / LOOK_FIRST : 1) * (isPart ? NEW_PARTS_FIRST : 1);
  };
}

/** How the nuts were tightened is gone once they are loosened. */
const AS_FOUND = 'nut-check';
/** It comes first where it says at least this share of what the check with the wheel off would. */
const WORTH_ASKING = 0.2;

/** Where a check takes the wheel off, the nuts as found come before it, if they say anything. */
function beforeLoosening(
  proposed: readonly NextCheck[],
  left: readonly NextCheck[],
  most: number,
): NextCheck[] {
  const nuts = left.find(({ code }) => code === AS_FOUND);
  const at = proposed.findIndex(({ wheelOff }) => wheelOff);
  const isWorth = nuts && at >= 0 && nuts.bits >= WORTH_ASKING * proposed[at]!.bits;
  if (!isWorth || proposed.slice(0, at).some(({ code }) => code === AS_FOUND)) {
    return [...proposed];
  }
  const others = proposed.filter(({ code }) => code !== AS_FOUND);
  return [...others.slice(0, at), nuts, ...others.slice(at)].slice(0, most);
}

/** The best by bits a minute; of near-equals the one that stands first in the knowledge file. */
function bestOf(
  checks: readonly (NextCheck & { readonly turns: boolean })[],
  most: number,
  worth: (code: string) => number,
): NextCheck[] {
  const left = checks.map(({ turns: _, ...check }): NextCheck => check);
  const proposed: NextCheck[] = [];
  while (proposed.length < most && left.length > 0) {
    const rate = ({ code, bits, minutes }: NextCheck): number => (worth(code) * bits) / minutes;
    const best = Math.max(...left.map(rate));
    const at = left.findIndex((check) => rate(check) >= NEAR_EQUAL * best);
    proposed.push(...left.splice(at, 1));
  }
  return proposed;
}
