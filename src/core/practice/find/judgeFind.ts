import { weigh, type Cause, type Finding } from '../../diagnosis';
import { DEMO_SHOP } from '../../bench';
import { asRecorded, shownOf, type FindCase } from './findCase';
import { noseWay } from './noseWay';
import { checksLeft, checkMinutes, findStates, type FindAction, type FindState } from './findWork';

/** One thing that was done, with what it was worth when it was done. */
export interface FindStep {
  readonly action: FindAction;
  readonly minutes: number;
  readonly money: number;
  /** The true cause’s share by what was found, before and after it; equal where it told nothing. */
  readonly before: number;
  readonly after: number;
}

/** What came of a car. */
export interface FindResult {
  /** Cured, given back, and nothing that hurts. */
  readonly isRight: boolean;
  readonly isHarm: boolean;
  readonly state: FindState;
  readonly minutes: number;
  /** Parts, work, and a comeback where it is not cured. */
  readonly cost: number;
  /** Minutes and money of who follows the nose. */
  readonly best: number;
  readonly bestCost: number;
  /** The way that it was held against: that of the nose. */
  readonly way: readonly FindAction[];
  readonly fault: Cause;
  /** What was named first for the fault; null where nothing was put right. */
  readonly said: Cause | null;
  readonly sentence: string;
}

/** The true cause’s share by what was found. */
const shareIn = (own: FindCase, { found }: FindState): number =>
  weigh(own.knowledge, { findings: found, axle: own.axle }).find(
    ({ code }) => code === own.cause.code,
  )?.probability ?? 0;

/** What every step took, and how sure the fault was before and after it. */
export function stepsOf(own: FindCase, actions: readonly FindAction[]): FindStep[] {
  const states = findStates(own, actions);
  const shares: number[] = [];
  states.forEach((state, i) => {
    const isSame = i > 0 && states[i - 1]!.found === state.found;
    shares.push(isSame ? shares[i - 1]! : shareIn(own, state));
  });
  return actions.map((action, i) => ({
    action,
    minutes: states[i + 1]!.minutes - states[i]!.minutes,
    money: states[i + 1]!.money - states[i]!.money,
    before: shares[i]!,
    after: shares[i + 1]!,
  }));
}

/** Log odds of a share, in nepers; nothing is quite sure. */
export const logOdds = (share: number): number => Math.log((share + 1e-6) / (1 - share + 1e-6));

/** Nepers of the true cause’s odds that a check must have moved to be named. */
const WORTH_TELLING = 1;
/** Minutes that any check costs beside its own. */
const AT_LEAST = 2;

/** The check left that would have told most of the true cause for its minutes. */
function missedCheck(own: FindCase, state: FindState): Finding | null {
  const now = logOdds(shareIn(own, state));
  const worth = checksLeft(own, state)
    .filter(({ stage }) => stage !== 'complaint')
    .map((finding) => {
      const found = [...state.found, asRecorded(finding, shownOf(own, finding.code))];
      const told = logOdds(shareIn(own, { ...state, found })) - now;
      return { finding, told, worth: told / (AT_LEAST + checkMinutes(own, state, finding)) };
    })
    .filter(({ told }) => told > WORTH_TELLING)
    .sort((p, q) => q.worth - p.worth);
  return worth[0]?.finding ?? null;
}

const HARM_SAYS = {
  pedal:
    'Pump the pedal before it is driven: pistons were moved, and the first presses meet nothing.',
  'back-pedal':
    'It went back with a pedal that nobody pumped: the first presses meet nothing, on the road.',
  'back-danger':
    'It went back though it must not be driven: keep it until that is put right, and say so.',
  danger: 'It was driven though what was found forbids it: put that right first.',
  'not-asked':
    'Ask how the pedal is and whether it grinds before you drive: this one must not be driven.',
} as const;

/** The check that would have told before the first repair, in words. */
function sayMissed(own: FindCase, actions: readonly FindAction[]): string {
  const missed = missedCheck(own, beforeRepair(own, actions));
  return missed ? ` ${missed.title} would have told.` : '';
}

/** Longer than the nose’s way by this much is told. */
const LONG = 1.5;

function sentenceOf(
  own: FindCase,
  actions: readonly FindAction[],
  state: FindState,
  best: number,
): string {
  const name = own.cause.name.toLowerCase();
  const { minutes } = state;
  if (state.harm !== null) return HARM_SAYS[state.harm];
  if (!state.isCured) {
    const tried = state.repairs.length === 0 ? 'Nothing was put right' : 'It is not cured';
    return `${tried}: it was ${name}.${sayMissed(own, actions)}`;
  }
  const wrong = state.repairs.length - 1;
  if (wrong > 0) {
    const vain = wrong === 1 ? 'one repair was' : `${wrong} repairs were`;
    return `Cured, and ${vain} for nothing. It was ${name}.${sayMissed(own, actions)}`;
  }
  if (!state.isShown)
    return 'Cured, and nobody drove or read it to see: what was not shown is not known.';
  return minutes > LONG * best
    ? `Found and shown, in ${Math.round(minutes - best)} minutes more than it takes: leave out what cannot change the answer.`
    : 'Found, put right and shown.';
}

/**
 * What came of a car by what was done at it; `actions` end with its going back, or with harm. `way` is the
 * way that it is held against: that of the nose.
 */
export function judgeFind(
  own: FindCase,
  actions: readonly FindAction[],
  way: readonly FindAction[] = noseWay(own),
): FindResult {
  const state = findStates(own, actions).at(-1)!;
  const noseEnd = findStates(own, way).at(-1)!;
  const comeback = state.isCured ? 0 : (DEMO_SHOP.prices.comeback ?? 0);
  return {
    isRight: state.isCured && state.harm === null,
    isHarm: state.harm !== null,
    state,
    minutes: state.minutes,
    cost: state.money + comeback,
    best: noseEnd.minutes,
    bestCost: noseEnd.money,
    way,
    fault: own.cause,
    said: state.repairs[0] ?? null,
    sentence: sentenceOf(own, actions, state, noseEnd.minutes),
  };
}

/** The car as it was when the fault was first named. */
function beforeRepair(own: FindCase, actions: readonly FindAction[]): FindState {
  const states = findStates(own, actions);
  const at = actions.findIndex(({ kind }) => kind === 'repair');
  return at < 0 ? states.at(-1)! : states[at]!;
}
