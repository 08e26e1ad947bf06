import {
  weigh,
  type Cause,
  type Finding,
  type Knowledge,
  type RecordedFinding,
} from '../diagnosis';
import type { AxlePosition } from '../readings';
import { READING_MINUTES } from './benchWork';
import { checkMinutes, checksLeft, logOdds } from './find';

/** A real job that was signed, as it is worked again: what was found in it is given when it is asked for. */
export interface ReplayCase {
  readonly number: number;
  readonly knowledge: Knowledge;
  readonly axle: AxlePosition;
  /** Everything that was found, corner by corner where it was found at one. */
  readonly found: readonly RecordedFinding[];
  /** What it was signed with, by the codes of the causes: what the shop held to be true, which is not the truth itself. */
  readonly causes: readonly string[];
}

/** What can be done in a job that is worked again. */
export type ReplayAction =
  /** A question, a drive, a look or a figure, by the code of its finding. */
  | { readonly kind: 'check'; readonly code: string }
  /** A set of readings, by its id, with how many readings it has. */
  | { readonly kind: 'set'; readonly id: string; readonly readings: number }
  /** What it is taken for: the end. */
  | { readonly kind: 'answer'; readonly code: string };

export interface ReplayState {
  /** Codes of what was asked, in order. */
  readonly asked: readonly string[];
  /** Ids of the sets that were given. */
  readonly sets: readonly string[];
  readonly minutes: number;
  readonly isWheelOff: boolean;
  /** What it was taken for; null while it is worked. */
  readonly answer: string | null;
}

const BEGUN: ReplayState = { asked: [], sets: [], minutes: 0, isWheelOff: false, answer: null };

/** What a finding of the job was, at each corner where it was recorded; empty where nobody recorded it. */
export const recordedOf = ({ found }: Pick<ReplayCase, 'found'>, code: string) =>
  found.filter((each) => each.code === code);

function afterCheck(own: ReplayCase, state: ReplayState, code: string): ReplayState {
  const finding = own.knowledge.findings.find((each) => each.code === code);
  if (!finding || state.asked.includes(code)) return state;
  const isRecorded = recordedOf(own, code).length > 0;
  return {
    ...state,
    asked: [...state.asked, code],
    // What nobody wrote down takes nothing: nothing is learned of it.
    minutes: state.minutes + (isRecorded ? checkMinutes(own, state, finding) : 0),
    isWheelOff: state.isWheelOff || (isRecorded && finding.wheelOff),
  };
}

/** A job that is worked again after what was done; what comes after the answer counts no more. */
export const replayState = (own: ReplayCase, actions: readonly ReplayAction[]): ReplayState =>
  actions.reduce<ReplayState>((state, action) => {
    if (state.answer !== null) return state;
    switch (action.kind) {
      case 'check':
        return afterCheck(own, state, action.code);
      case 'set':
        return state.sets.includes(action.id)
          ? state
          : {
              ...state,
              sets: [...state.sets, action.id],
              minutes: state.minutes + READING_MINUTES * action.readings,
            };
      case 'answer':
        return { ...state, answer: action.code };
    }
  }, BEGUN);

/** What was found of what was asked. */
const foundBy = (own: ReplayCase, asked: readonly string[]): readonly RecordedFinding[] =>
  own.found.filter(({ code }) => asked.includes(code));

/** What can still be asked, in the order of the knowledge. */
export const replayChecksLeft = (own: ReplayCase, { asked }: ReplayState): readonly Finding[] =>
  checksLeft(own, { found: foundBy(own, asked) }).filter(({ code }) => !asked.includes(code));

/** The share of each cause by what was asked. */
const sharesBy = (own: ReplayCase, asked: readonly string[]) =>
  weigh(own.knowledge, { findings: foundBy(own, asked), axle: own.axle });

const shareOf = (own: ReplayCase, asked: readonly string[]): number =>
  sharesBy(own, asked)
    .filter(({ code }) => own.causes.includes(code))
    .reduce((sum, { probability }) => sum + probability, 0);

/** One thing that was asked, with the share of what the job was signed with, before and after it. */
export interface ReplayStep {
  readonly code: string;
  readonly before: number;
  readonly after: number;
}

export interface ReplayResult {
  /** Whether it was taken for what it was signed with; null where it was signed without a cause. */
  readonly isSame: boolean | null;
  /** The first cause of the nose by what was asked, and by all that was recorded. */
  readonly nose: Cause | null;
  readonly noseOfAll: Cause | null;
  readonly minutes: number;
  /** Minutes that everything that was recorded takes. */
  readonly allMinutes: number;
  readonly steps: readonly ReplayStep[];
  /** What was recorded and not asked, what would have told most first. */
  readonly missed: readonly Finding[];
  readonly sentence: string;
}

/** Nepers that a finding must move the odds by to be named. */
const WORTH_NAMING = 0.5;

/** Recorded findings that were not asked, by how much each would have told of what it was signed with. */
function missedOf(own: ReplayCase, asked: readonly string[]): readonly Finding[] {
  const now = logOdds(shareOf(own, asked));
  const told = (code: string): number => logOdds(shareOf(own, [...asked, code])) - now;
  return own.knowledge.findings
    .filter(({ code }) => !asked.includes(code) && recordedOf(own, code).length > 0)
    .map((finding) => ({ finding, told: told(finding.code) }))
    .filter((each) => each.told > WORTH_NAMING)
    .sort((p, q) => q.told - p.told)
    .map(({ finding }) => finding);
}

function sentenceOf(own: ReplayCase, isSame: boolean | null, missed: readonly Finding[]): string {
  const name = own.knowledge.causes
    .filter(({ code }) => own.causes.includes(code))
    .map((cause) => cause.name.toLowerCase())
    .join(' and ');
  if (isSame === null)
    return 'It was signed without a cause: see what was done, and whether it helped.';
  if (isSame) return `You say what it was signed with: ${name}.`;
  const told = missed[0] ? ` ${missed[0].title} would have told.` : '';
  return `It was signed with ${name}.${told}`;
}

/** What came of a job that was worked again, held against what it was signed with. */
export function judgeReplay(own: ReplayCase, actions: readonly ReplayAction[]): ReplayResult {
  const state = replayState(own, actions);
  const { asked, answer } = state;
  const all = own.knowledge.findings
    .filter(({ code }) => recordedOf(own, code).length > 0)
    .map(({ code }): ReplayAction => ({ kind: 'check', code }));
  const everything = replayState(own, all);
  const firstBy = (codes: readonly string[]): Cause | null => {
    const code = sharesBy(own, codes)[0]?.code;
    return own.knowledge.causes.find((each) => each.code === code) ?? null;
  };
  const missed = missedOf(own, asked);
  const shares = [[], ...asked].map((_, i) => shareOf(own, asked.slice(0, i)));
  const isSame = own.causes.length === 0 ? null : own.causes.includes(answer ?? '');
  return {
    ...{ isSame, missed, minutes: state.minutes, allMinutes: everything.minutes },
    nose: firstBy(asked),
    noseOfAll: firstBy(everything.asked),
    steps: asked.map((code, i) => ({ code, before: shares[i]!, after: shares[i + 1]! })),
    sentence: sentenceOf(own, isSame, missed),
  };
}
