import {
  EXPLAINS,
  isChoice,
  probabilityOfValue,
  medianOf,
  seenIn,
  type Finding,
  type FindingStage,
  type Knowledge,
  type RecordedFinding,
} from '../diagnosis';
import type { RandomSource } from '../numeric';
import type { AxlePosition } from '../readings';

/** A job whose cause is known, and what every finding would show if it were looked for. */
export interface VirtualJob {
  readonly cause: string;
  /** The axle complained of. */
  readonly axle: AxlePosition;
  readonly findings: readonly RecordedFinding[];
}

/** What a draw needs of chance. */
type Chance = Pick<RandomSource, 'uniform' | 'normal'>;

function drawFrom<Item>(
  items: readonly Item[],
  weight: (item: Item) => number,
  random: Chance,
): Item {
  const total = items.reduce((sum, item) => sum + weight(item), 0);
  let left = random.uniform() * total;
  for (const item of items) {
    left -= weight(item);
    if (left < 0) return item;
  }
  const last = items.at(-1);
  if (last === undefined) throw new RangeError('There is nothing to draw from');
  return last;
}

function drawValue(
  finding: Finding,
  cause: string,
  random: Chance,
  clearness: number,
): string | number {
  if (isChoice(finding)) {
    const share = (code: string): number => probabilityOfValue(finding, code, cause) ** clearness;
    return drawFrom(finding.values, ({ code }) => share(code), random).code;
  }
  const spread = finding.spread / clearness;
  return Math.exp(Math.log(medianOf(finding, cause)) + spread * random.normal());
}

/** Share of the jobs that are about the front axle. */
const FRONT_SHARE = 0.7;

/**
 * One chance for all findings of a group: where one shows how clear the fault is, the others show it
 * as clearly. How often it is the same is `together`, 0 to 1.
 */
function chanceOf(
  group: string,
  kept: Map<string, Chance>,
  together: number,
  random: RandomSource,
) {
  const known = kept.get(group);
  if (known && random.uniform() < together) return known;
  const [uniform, normal] = [random.uniform(), random.normal()];
  const made: Chance = { uniform: () => uniform, normal: () => normal };
  kept.set(group, made);
  return made;
}

/**
 * Draws a job from the knowledge: axle, cause by the priors, each finding by itself, or those of one
 * group alike in so many of the jobs (`together`, 0 to 1). With a `clearness` what a stage finds shows
 * the cause more clearly than the knowledge has it: shares to that power, spreads divided by it.
 */
export function drawJob(
  knowledge: Knowledge,
  random: RandomSource,
  {
    together = 0,
    clearness,
  }: {
    readonly together?: number;
    readonly clearness?: Readonly<Record<FindingStage, number>>;
  } = {},
): VirtualJob {
  const kept = new Map<string, Chance>();
  const axle = random.uniform() < FRONT_SHARE ? 'front' : 'rear';
  const possible = knowledge.causes.filter((cause) => cause.axle === null || cause.axle === axle);
  const cause = drawFrom(possible, ({ prior }) => prior, random).code;
  const drawn = knowledge.findings.map((finding) => ({
    code: finding.code,
    value: drawValue(
      finding,
      cause,
      together > 0 ? chanceOf(finding.group, kept, together, random) : random,
      clearness?.[finding.stage] ?? 1,
    ),
  }));
  // Whoever asks whether what was seen explains the complaint gets a true answer.
  const isExplained = seenIn(knowledge, drawn).some((seen) => seen.cause === cause);
  const findings = drawn.map(({ code, value }) =>
    code === EXPLAINS ? { code, value: isExplained ? 'yes' : 'no' } : { code, value },
  );
  return { cause, axle, findings };
}
