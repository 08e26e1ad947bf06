import {
  advisesNoDrive,
  diagnose,
  EXPLAINS,
  isMoot,
  seenIn,
  type Cause,
  type Diagnosis,
  type Finding,
  type RecordedFinding,
} from '../../diagnosis';
import { actionRecord, type Action, type PriceItem } from '../../options';
import { priceOf } from '../ways';
import { asRecorded, shownOf, type FindCase } from './findCase';

/** A finding as readings say it. */
export interface ReadFinding {
  readonly code: string;
  readonly value: string | number;
}

/** Findings that gauges tell at the corner of a car. */
export const GAUGED = [
  'runout',
  'thickness-variation',
  'hub-share',
  'rotor-share',
  'nut-pull',
  'thin-at-high',
] as const;
/** Those that readings of another tell, and that take no minutes of their own beside it. */
const TOLD_BESIDE: Readonly<Record<string, string>> = {
  'rotor-share': 'hub-share',
  'nut-pull': 'runout',
  'thin-at-high': 'thickness-variation',
};

/** What can be done at a car, in the order in which it was. */
export type FindAction =
  /** A question, a drive, a look or a reading, by the code of its finding. */
  | { readonly kind: 'check'; readonly code: string }
  /** What was read with gauges at its corner, as the readings say it: shares of limits, and whether the thin place is at the high spot. */
  | { readonly kind: 'read'; readonly found: readonly ReadFinding[] }
  /** What its corner was read as once something had been put right: it shows whether that was it. */
  | { readonly kind: 'reread'; readonly found: readonly ReadFinding[] }
  /** A cause is taken for the fault and put right. */
  | { readonly kind: 'repair'; readonly code: string }
  /** What was decided about a rotor was done, on the stages of a job; whether it put the fault right. */
  | { readonly kind: 'decide'; readonly action: Action; readonly isRight: boolean }
  /** The pedal is pumped, the wheels are spun. */
  | { readonly kind: 'pedal' }
  | { readonly kind: 'drive' }
  /** The nose is asked: once for its price, or from now on. */
  | { readonly kind: 'nose'; readonly how: 'once' | 'on' }
  /** The car goes back to its owner. */
  | { readonly kind: 'back' };

/** Minutes of what is in no list. */
export const FIND_MINUTES = { pedal: 2, drive: 12, nose: 10 } as const;

/** What puts right a cause that no work beside the rotor does. */
const AT_ROTOR: Readonly<Record<string, readonly PriceItem[]>> = {
  'rust-under-hat': ['clean'],
  'hub-runout': ['hub'],
  'heat-damage': ['rotor', 'pads'],
};
/** A face that is not true or not of one thickness is cut true. */
const CUT: readonly PriceItem[] = ['on-vehicle'];

/** The items of the shop’s list that a cause’s repair takes in practice. */
export const repairItems = ({ code, work }: Pick<Cause, 'code' | 'work'>): readonly PriceItem[] =>
  // The knowledge names items of the list and no others.
  work.length > 0 ? (work as readonly PriceItem[]) : (AT_ROTOR[code] ?? CUT);

const sameItems = (own: readonly PriceItem[], other: readonly PriceItem[]): boolean =>
  own.length === other.length && own.every((item) => other.includes(item));

/** Whether putting one cause right puts the other right as well: the same work is done. */
export const doesCure = (done: Cause, fault: Cause): boolean =>
  done.code === fault.code || sameItems(repairItems(done), repairItems(fault));

/** Money and minutes of a repair, by the demo list. */
export const repairPrice = (cause: Cause): { readonly cost: number; readonly minutes: number } =>
  priceOf(repairItems(cause));

/** What would be harm, and ends the case. */
export type FindHarm = DriveHarm | 'back-pedal' | 'back-danger';
type DriveHarm = 'danger' | 'not-asked' | 'pedal';

/** What it is to give a car back that must not be driven. */
const BACK: Readonly<Record<DriveHarm | 'none', FindHarm | null>> = {
  ...{ none: null, pedal: 'back-pedal', danger: 'back-danger', 'not-asked': 'back-danger' },
};

/** A car as it stands after what was done. */
export interface FindState {
  readonly found: readonly RecordedFinding[];
  readonly minutes: number;
  readonly money: number;
  readonly isWheelOff: boolean;
  readonly repairs: readonly Cause[];
  readonly isCured: boolean;
  /** Its corner as it was read since the last repair. */
  readonly readAfter: readonly ReadFinding[];
  /** It was driven, or read within, since the repair that cured it. */
  readonly isShown: boolean;
  /** The pedal was pumped since something was put right. */
  readonly isPumped: boolean;
  /** What the last drive after a repair was like; null before one. */
  readonly drive: 'gone' | 'there' | null;
  readonly harm: FindHarm | null;
  /** Why it may not be driven, as far as it is known; null where nothing says so. */
  readonly danger: string | null;
  readonly nose: 'off' | 'once' | 'on';
  readonly isOver: boolean;
}

const START: FindState = {
  ...{ found: [], minutes: 0, money: 0, isWheelOff: false, repairs: [], isCured: false },
  ...{ readAfter: [], isShown: false, isPumped: true, drive: null, harm: null, danger: null },
  ...{ nose: 'off', isOver: false },
};

/** What is asked before anybody drives: pedal and noise. */
const ASKED_FIRST = ['pedal-feel', 'noise'];

/** Why a car must not be driven by what is found: what forbids it is of its fault, and goes with it. */
const dangerIn = (state: FindState, findings: readonly RecordedFinding[]): string | null =>
  state.isCured ? null : advisesNoDrive(findings);

/** Why driving now would be harm; null where it would not. */
function harmOfDriving(own: FindCase, state: FindState): DriveHarm | null {
  if (!state.isPumped) return 'pedal';
  if (dangerIn(state, state.found) !== null) return 'danger';
  const unasked = ASKED_FIRST.filter((code) => !state.found.some((each) => each.code === code));
  const hidden = own.shows.filter(({ code }) => unasked.includes(code));
  return dangerIn(state, hidden) === null ? null : 'not-asked';
}

const findingOf = ({ knowledge }: Pick<FindCase, 'knowledge'>, code: string): Finding =>
  knowledge.findings.find((each) => each.code === code)!;

/** Minutes of a check as the car stands: the first with a wheel off takes it off. */
export const checkMinutes = (
  { knowledge }: Pick<FindCase, 'knowledge'>,
  { isWheelOff }: Pick<FindState, 'isWheelOff'>,
  { minutes, wheelOff }: Pick<Finding, 'minutes' | 'wheelOff'>,
): number => minutes + (wheelOff && !isWheelOff ? knowledge.wheelOffMinutes : 0);

function afterCheck(own: FindCase, state: FindState, code: string): FindState {
  const finding = findingOf(own, code);
  const harm = finding.stage === 'road-test' ? harmOfDriving(own, state) : null;
  if (harm !== null) return { ...state, harm, isOver: true };
  return {
    ...state,
    found: [...state.found, asRecorded(finding, shownOf(own, code))],
    minutes: state.minutes + checkMinutes(own, state, finding),
    isWheelOff: state.isWheelOff || finding.wheelOff,
  };
}

/** What gauges have told of the corner as it stands: after a repair what they told before is of another one. */
export const readSoFar = ({
  found,
  readAfter,
  repairs,
}: Pick<FindState, 'found' | 'readAfter' | 'repairs'>): readonly ReadFinding[] =>
  repairs.length > 0 ? readAfter : found;

/** Minutes of what was read, as the car stands: what was read before takes none again. */
export function readMinutes(
  own: Pick<FindCase, 'knowledge'>,
  state: Pick<FindState, 'found' | 'readAfter' | 'repairs' | 'isWheelOff'>,
  found: readonly ReadFinding[],
): number {
  const known = readSoFar(state);
  const has = (code: string | undefined): boolean =>
    [...known, ...found].some((each) => each.code === code);
  const fresh = found.filter(
    ({ code }) => !known.some((each) => each.code === code) && !has(TOLD_BESIDE[code]),
  );
  const off = state.isWheelOff ? 0 : own.knowledge.wheelOffMinutes;
  return fresh.reduce((sum, { code }) => sum + findingOf(own, code).minutes, off);
}

function afterRead(own: FindCase, state: FindState, found: readonly ReadFinding[]): FindState {
  // As the readings say it: nobody rounds what a gauge has told.
  const noted = found.map(({ code, value }) => ({ code, value }));
  const isNoted = ({ code }: RecordedFinding): boolean => noted.some((each) => each.code === code);
  return {
    ...state,
    found: [...state.found.filter((each) => !isNoted(each)), ...noted],
    minutes: state.minutes + readMinutes(own, state, found),
    isWheelOff: true,
  };
}

/** Figures of a corner that are held against a limit: shares of it, beyond above 1. */
const LIMITED: readonly string[] = ['runout', 'thickness-variation'];

/** Whether readings show that a figure is beyond its limit. */
export const readsBeyond = (found: readonly ReadFinding[]): boolean =>
  found.some(({ code, value }) => LIMITED.includes(code) && Number(value) > 1);

/** Whether readings show a fault gone: what was beyond its limit with it is within. */
const showsGone = (own: FindCase, found: readonly ReadFinding[]): boolean =>
  !readsBeyond(found) &&
  found.some(({ code }) => LIMITED.includes(code) && Number(shownOf(own, code).value) > 1);

/** The corner is read once more: what it was before stays what was found. */
function afterReread(own: FindCase, state: FindState, found: readonly ReadFinding[]): FindState {
  const codes = found.map(({ code }) => code);
  const readAfter = [...state.readAfter.filter(({ code }) => !codes.includes(code)), ...found];
  return {
    ...state,
    readAfter,
    minutes: state.minutes + readMinutes(own, state, found),
    isWheelOff: true,
    isShown: state.isShown || (state.isCured && showsGone(own, readAfter)),
  };
}

const causeOf = ({ knowledge }: Pick<FindCase, 'knowledge'>, code: string): Cause =>
  knowledge.causes.find((each) => each.code === code)!;

/** The car once a cause was taken for its fault and work was done for it. */
function afterWork(
  state: FindState,
  cause: Cause,
  { cost, minutes }: ReturnType<typeof priceOf>,
  isRight: boolean,
): FindState {
  return {
    ...state,
    repairs: [...state.repairs, cause],
    money: state.money + cost,
    minutes: state.minutes + minutes,
    isCured: state.isCured || isRight,
    ...{ readAfter: [], isPumped: false, isShown: false, drive: null, isWheelOff: false },
  };
}

function afterRepair(own: FindCase, state: FindState, code: string): FindState {
  const cause = causeOf(own, code);
  return afterWork(state, cause, repairPrice(cause), doesCure(cause, own.cause));
}

/** What a rotor’s work is done for, where it puts the fault of the car right or not. */
const DONE_FOR: Partial<Record<Action, string>> = {
  ...{ clean: 'rust-under-hat', hub: 'hub-runout', 'hub-new': 'hub-runout' },
};

function afterDecided(
  own: FindCase,
  state: FindState,
  { action, isRight }: Extract<FindAction, { kind: 'decide' }>,
): FindState {
  const cause = isRight ? own.cause : causeOf(own, DONE_FOR[action] ?? 'rotor-runout');
  return afterWork(state, cause, priceOf(actionRecord(action).items), isRight);
}

function afterDrive(own: FindCase, state: FindState): FindState {
  const harm = harmOfDriving(own, state);
  if (harm !== null) return { ...state, harm, isOver: true };
  return {
    ...state,
    minutes: state.minutes + FIND_MINUTES.drive,
    drive: state.isCured ? 'gone' : 'there',
    isShown: state.isCured,
  };
}

function after(own: FindCase, state: FindState, action: FindAction): FindState {
  if (state.isOver) return state;
  // What the nose said once is for the car as it was then.
  const next: FindState = state.nose === 'once' ? { ...state, nose: 'off' } : state;
  switch (action.kind) {
    case 'check':
      return afterCheck(own, next, action.code);
    case 'read':
      return afterRead(own, next, action.found);
    case 'reread':
      return afterReread(own, next, action.found);
    case 'repair':
      return afterRepair(own, next, action.code);
    case 'decide':
      return afterDecided(own, next, action);
    case 'pedal':
      return { ...next, isPumped: true, minutes: next.minutes + FIND_MINUTES.pedal };
    case 'drive':
      return afterDrive(own, next);
    case 'nose':
      return {
        ...next,
        nose: action.how,
        minutes: next.minutes + (action.how === 'once' ? FIND_MINUTES.nose : 0),
      };
    case 'back':
      return { ...next, isOver: true, harm: BACK[harmOfDriving(own, next) ?? 'none'] };
  }
}

/** A car after what was done at it, step by step; the first is the car as it came. */
export function findStates(own: FindCase, actions: readonly FindAction[]): readonly FindState[] {
  const states = [START];
  for (const action of actions) {
    const next = after(own, states.at(-1)!, action);
    states.push({ ...next, danger: dangerIn(next, next.found) });
  }
  return states;
}

/** A car as it stands after what was done at it. */
export const findState = (own: FindCase, actions: readonly FindAction[]): FindState =>
  findStates(own, actions).at(-1)!;

/** What the nose says of a car as it stands: of what was found, what was put right in vain not meant any more. */
export const noseAt = (own: FindCase, state: FindState): Diagnosis =>
  diagnose(own.knowledge, {
    findings: state.found,
    axle: own.axle,
    never: state.isCured
      ? []
      : own.knowledge.causes
          .filter((cause) => state.repairs.some((done) => doesCure(done, cause)))
          .map(({ code }) => code),
  });

/** What can still be found out at a car, in the order of the knowledge. */
export const checksLeft = (
  { knowledge }: Pick<FindCase, 'knowledge'>,
  { found }: Pick<FindState, 'found'>,
): readonly Finding[] =>
  knowledge.findings.filter((finding) => {
    const { code } = finding;
    if (found.some((each) => each.code === code) || isMoot(finding, found)) return false;
    return code !== EXPLAINS || seenIn(knowledge, found).length > 0;
  });
