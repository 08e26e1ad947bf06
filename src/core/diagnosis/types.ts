import type { AxlePosition, Corner } from '../readings';

/** Where in the order of work a finding is met. */
export const FINDING_STAGES = ['complaint', 'road-test', 'inspect', 'measure'] as const;
export type FindingStage = (typeof FINDING_STAGES)[number];

/** A cause that was split since: old jobs are still signed with it. */
export interface FormerCause {
  readonly code: string;
  readonly name: string;
  readonly means: string;
  /** The causes that took its place. */
  readonly now: readonly string[];
}

/** What can be behind a complaint. */
export interface Cause {
  readonly code: string;
  readonly name: string;
  /** One sentence: what it is. */
  readonly means: string;
  /** What is done about it. */
  readonly repair: string;
  /** What shows that it is cured. */
  readonly proof: string;
  /** Whether it is shown by hand (a reading, a spin, a look), or by the drive alone. */
  readonly shownBy: 'hand' | 'drive';
  /** What the owner reads of it: what was found, never that it was put right. */
  readonly owner: string;
  /** It lies outside the brakes: found, told, done here or referred. */
  readonly isOutside: boolean;
  /** Items of the shop's list that its repair takes; none where the options of a rotor are its repair. */
  readonly work: readonly string[];
  /** Looks that its repair puts right with it: an item, or one condition of it ("item:condition"). */
  readonly settles: readonly string[];
  /** How usual it is before any finding: a count among about a hundred jobs. */
  readonly prior: number;
  /** The axle it belongs to by its nature, or null. */
  readonly axle: AxlePosition | null;
}

interface FindingBase {
  readonly code: string;
  readonly title: string;
  readonly question: string;
  readonly stage: FindingStage;
  /** Findings of one group are not independent: the strongest for and against a cause count. */
  readonly group: string;
  readonly minutes: number;
  readonly wheelOff: boolean;
  /** Whether it is found at a corner, or of the whole vehicle. */
  readonly perCorner: boolean;
  /** How to do it, in one sentence. */
  readonly how?: string | undefined;
  /** The answer to another question after which it is not asked, and says nothing. */
  readonly unless?: { readonly code: string; readonly value: string } | undefined;
  /** Several answers may stand together. */
  readonly several?: boolean | undefined;
  /** Answers that are weighed as one where they stand together. */
  readonly together?:
    | readonly { readonly of: readonly string[]; readonly is: string }[]
    | undefined;
}

/** An answer that can be given, and the share of jobs without a listed cause that give it. */
export interface ChoiceValue {
  readonly code: string;
  readonly label: string;
  readonly usual: number;
  /** Of several answers it stands alone: it says that there is nothing to tell. */
  readonly alone?: boolean | undefined;
}

/** What one answer says: decibans by cause, with the reason. */
export interface ChoiceEvidence {
  readonly value: string;
  readonly why: string;
  /** The cause that is seen with the eyes when this is: confirmed, not weighed as one vote. */
  readonly sees?: string | undefined;
  readonly db: Readonly<Record<string, number>>;
}

/** A finding answered by choosing. */
export interface ChoiceFinding extends FindingBase {
  readonly values: readonly ChoiceValue[];
  readonly evidence: readonly ChoiceEvidence[];
}

/** A finding that is a measured figure as a share of its limit: 1 is at the limit. */
export interface RatioFinding extends FindingBase {
  /** Median of the share in jobs without a listed cause. */
  readonly usual: number;
  /** Standard deviation of the share's natural logarithm, with any cause. */
  readonly spread: number;
  readonly evidence: readonly {
    readonly why: string;
    readonly whyLow: string;
    /** Median of the share by cause. */
    readonly medians: Readonly<Record<string, number>>;
  }[];
}

export type Finding = ChoiceFinding | RatioFinding;

/** Whether another answer leaves nothing to ask of a finding: it is not asked then, and says nothing. */
export const isMoot = (
  { unless }: Pick<Finding, 'unless'>,
  found: readonly { readonly code: string; readonly value: string | number }[],
): boolean =>
  unless !== undefined &&
  found.some(({ code, value }) => code === unless.code && value === unless.value);

export const isChoice = (finding: Finding): finding is ChoiceFinding => 'values' in finding;

/** Choices that nobody answers: the bench reads them. */
const READ: readonly string[] = ['thin-at-high', 'cleaning'];

/** Whether somebody answers it by hand, at the bench as anywhere else. */
export const isAnswered = (finding: Finding): finding is ChoiceFinding =>
  isChoice(finding) && !READ.includes(finding.code);

/** Everything that is known of causes and findings. */
export interface Knowledge {
  readonly version: number;
  /** Minutes added to the first check for which a wheel comes off. */
  readonly wheelOffMinutes: number;
  readonly causes: readonly Cause[];
  readonly former: readonly FormerCause[];
  /** Effects and the sources that wear them in: told together, not against each other. */
  readonly joins: readonly { readonly effect: string; readonly sources: readonly string[] }[];
  readonly findings: readonly Finding[];
}

/** A finding as recorded: the code of a value, or the measured share of the limit. */
export interface RecordedFinding {
  readonly code: string;
  readonly value: string | number;
  readonly corner?: Corner | undefined;
}

/** What one finding adds for one cause. */
export interface Term {
  readonly finding: string;
  readonly value: string | number;
  readonly corner: Corner | null;
  readonly decibans: number;
  readonly reason: string;
  /** False where a stronger finding of the same group stands in its place. */
  readonly counted: boolean;
}
