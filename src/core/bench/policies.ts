import {
  advise,
  assessCorner,
  assessRunout,
  type Advice,
  type CornerRecord,
  type MeasuredSet,
} from '../assessment';
import type { RandomSource } from '../numeric';
import {
  actionRecord,
  adviseByOptions,
  compareOptions,
  costOf,
  isCorrection,
  rankOptions,
  type Option,
  type PriceItem,
} from '../options';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { wearByDefault } from '../wear';
import { applyAction, isTrulyWithin, type PolicySetup, type Standing } from './policyTruth';
import type { VirtualCorner } from './virtualCorner';
import { readDial, readMicrometer } from './virtualGauges';

/** How a complaint is dealt with. */
export const POLICIES = [
  'as-fitted',
  'trial-and-error',
  'always-new',
  'always-bench',
  'index-first',
  'tool',
] as const;
export type Policy = (typeof POLICIES)[number];

/** The policies in words. */
export const POLICY_NAME: Readonly<Record<Policy, string>> = {
  'as-fitted': 'Leave it as it is',
  'trial-and-error': 'Move it on stud by stud, until one reads within',
  'always-new': 'Always a new rotor',
  'always-bench': 'Always the bench lathe; a new rotor where it is too thin',
  'index-first': 'Index first; a new rotor where that does not do',
  tool: 'What this program recommends, proven and decided again',
};

/** What became of one corner. */
export interface PolicyResult {
  readonly isWithin: boolean;
  readonly mountings: number;
  /** Parts, labour, and a comeback where it did not end within. */
  readonly cost: number;
}

const DIAL = { resolution: 1, repeatability: 1 };
const MICROMETER = WORKSHOP_DEFAULTS.micrometer;
const DRAWS = 150;
/** A proof that is not part of an item: measuring where it stands, in minutes. */
const PROOF = 6;
/** Measurings and corrections after which the vehicle goes as it is. */
const STEPS = 8;

/** Reads runout and thickness where the rotor stands; thickness once, unless laps are asked for. */
function measure(
  standing: Standing,
  setup: PolicySetup,
  random: RandomSource,
  asked?: number,
): Standing {
  const { truth, shift, sets } = standing;
  const run = { shift, positions: setup.positions, laps: asked ?? 1 };
  const { laps } = readDial(truth, { ...run, gauge: DIAL }, random);
  // Nobody errs about the seat here: asked, it would be confirmed.
  const seat = { shift, isSeatSaid: true };
  const runout: MeasuredSet = { kind: 'runout', face: 'outboard', gauge: DIAL, ...seat, laps };
  const thickness: MeasuredSet = {
    kind: 'thickness',
    gauge: MICROMETER,
    shift,
    laps: readMicrometer(truth, { ...run, gauge: MICROMETER }, random),
  };
  const isThere = asked === undefined && sets.some(({ kind }) => kind === 'thickness');
  return { ...standing, sets: [...sets, runout, ...(isThere ? [] : [thickness])] };
}

const known = (value: Micrometres) => ({ value, source: 'maker' as const });

const recordOf = ({ sets }: Standing, setup: PolicySetup): CornerRecord => ({
  corner: 'FL',
  fastening: 'studs',
  studs: setup.studs,
  allowedShifts: null,
  limits: {
    nominal: known(setup.nominal),
    machineTo: known(setup.machineTo),
    discard: known(setup.discard),
    runout: known(setup.limit),
    dtv: known(setup.dtvLimit),
    radius: known(setup.radius),
  },
  sets,
});

/** What items cost, their prices all known. */
function paid(items: readonly PriceItem[], setup: PolicySetup): number {
  const { parts, labour } = costOf(items, setup.shop.prices);
  return (parts ?? 0) + (labour ?? 0);
}

const settle = (
  standing: Standing,
  setup: PolicySetup,
  spent: number,
  mountings: number,
): PolicyResult => {
  const isWithin = isTrulyWithin(standing, setup);
  return { isWithin, mountings, cost: spent + (isWithin ? 0 : (setup.shop.prices.comeback ?? 0)) };
};

/** Moves on stud by stud until one reads within, else to the best of all that were read. */
function trialAndError(first: Standing, setup: PolicySetup, random: RandomSource): PolicyResult {
  let best = { shift: 0, tir: Infinity };
  let spent = 0;
  for (let shift = 0; shift < setup.studs; shift += 1) {
    const { sets } = measure({ ...first, shift }, setup, random);
    const read = sets.find((set) => set.kind === 'runout');
    if (!read) break;
    const { verdict } = assessRunout(read, setup.studs, recordOf(first, setup).limits);
    const tir = verdict.value ?? Infinity;
    if (shift > 0) spent += paid(['index'], setup);
    if (tir < best.tir) best = { shift, tir };
    if (verdict.state === 'within') return settle({ ...first, shift }, setup, spent, shift + 1);
  }
  const back = best.shift === setup.studs - 1 ? 0 : paid(['index'], setup);
  const mountings = setup.studs + (back > 0 ? 1 : 0);
  return settle({ ...first, shift: best.shift }, setup, spent + back, mountings);
}

/** What was spent on a corner, and how often its rotor was mounted. */
interface Tally {
  readonly at: Standing;
  readonly spent: number;
  readonly mountings: number;
  /** Whether more laps were taken already: what they leave open is decided by its cost. */
  readonly isSettled: boolean;
}

/** What the tool says of a corner now; its options where a correction is due, or none helps on. */
function judge(
  { at, isSettled }: Tally,
  setup: PolicySetup,
): { advice: Advice; recommended: Option | null } {
  const record = recordOf(at, setup);
  const assessment = assessCorner(record, DRAWS);
  const first = advise(record, assessment);
  const isOpen = first.kind === 'too-close' || first.kind === 'seat-again';
  if (!isCorrection(first) && !(isOpen && isSettled)) return { advice: first, recommended: null };
  const { recommended } = rankOptions(
    compareOptions({
      record,
      assessment,
      shop: setup.shop,
      extras: [],
      wear: wearByDefault('semi-metallic'),
      draws: DRAWS,
    }),
  );
  return { advice: adviseByOptions(record, assessment, recommended), recommended };
}

/** Laps beyond which nobody goes on measuring. */
const MOST_LAPS = 5;

/** One step of the tool's work: measured on, or corrected and proven; null when it is done. */
function step(tally: Tally, setup: PolicySetup, random: RandomSource): Tally | null {
  const { at, spent, mountings, isSettled } = tally;
  const proof = (PROOF / 60) * (setup.shop.prices.hourly ?? 0);
  const { advice, recommended } = judge(tally, setup);
  if (advice.kind === 'within') return null;
  if (advice.kind === 'second-mounting') {
    const moved = measure({ ...at, shift: advice.to }, setup, random);
    return { ...tally, at: moved, spent: spent + paid(['index'], setup), mountings: mountings + 1 };
  }
  if ((advice.kind === 'too-close' || advice.kind === 'seat-again') && !isSettled) {
    const laps = Math.min(MOST_LAPS, advice.kind === 'too-close' ? (advice.laps ?? 1) : 1);
    const read = measure({ ...at, sets: [] }, setup, random, laps);
    return { at: read, spent: spent + laps * proof, mountings, isSettled: true };
  }
  if (!recommended || recommended.action === 'leave') return null;
  const { action } = recommended;
  // Moving what is new or cut to its best place is measured, decided and paid by itself.
  const items = actionRecord(action).items.filter((item) => item !== 'index' || action === 'index');
  const isProvenInside = action === 'index' || action === 'plate';
  return {
    at: measure(applyAction(at, action, recommended, setup, random), setup, random),
    spent: spent + paid(items, setup) + (isProvenInside ? 0 : proof),
    mountings: mountings + 1,
    isSettled: false,
  };
}

/** What this tool says, done: measured, decided, corrected, proven, and decided again if it must be. */
function byTool(first: Standing, setup: PolicySetup, random: RandomSource): PolicyResult {
  let tally: Tally = {
    at: measure(first, setup, random),
    spent: 0,
    mountings: 1,
    isSettled: false,
  };
  for (let i = 0; i < STEPS; i += 1) {
    const next = step(tally, setup, random);
    if (!next) break;
    tally = next;
  }
  return settle(tally.at, setup, tally.spent, tally.mountings);
}

/** Tells hub and rotor apart and moves the rotor to its best place; where that does not do, a new rotor. */
function indexFirst(first: Standing, setup: PolicySetup, random: RandomSource): PolicyResult {
  let at = measure(first, setup, random);
  let moves = 0;
  const spent = (): number => moves * paid(['index'], setup);
  for (; moves < STEPS; moves += 1) {
    const record = recordOf(at, setup);
    const advice = advise(record, assessCorner(record, DRAWS));
    if (advice.kind === 'within') return settle(at, setup, spent(), moves + 1);
    if (advice.kind !== 'second-mounting' && advice.kind !== 'index') break;
    if (advice.to === at.shift) break;
    at = measure({ ...at, shift: advice.to }, setup, random);
  }
  const renewed = applyAction(at, 'new', { shift: null, plate: null }, setup, random);
  return settle(renewed, setup, spent() + paid(['rotor'], setup), moves + 2);
}

/** One corner under one policy. */
export function tryPolicy(
  truth: VirtualCorner,
  policy: Policy,
  setup: PolicySetup,
  random: RandomSource,
): PolicyResult {
  const first: Standing = { truth, shift: 0, sets: [] };
  const nothing = { shift: null, plate: null };
  switch (policy) {
    case 'as-fitted':
      return settle(first, setup, 0, 1);
    case 'trial-and-error':
      return trialAndError(first, setup, random);
    case 'always-new':
      return settle(
        applyAction(first, 'new', nothing, setup, random),
        setup,
        paid(['rotor'], setup),
        2,
      );
    case 'always-bench': {
      const cut = applyAction(first, 'bench', nothing, setup, random);
      if (cut.truth.meanThickness >= setup.machineTo)
        return settle(cut, setup, paid(['bench'], setup), 2);
      return settle(
        applyAction(first, 'new', nothing, setup, random),
        setup,
        paid(['rotor'], setup),
        2,
      );
    }
    case 'index-first':
      return indexFirst(first, setup, random);
    case 'tool':
      return byTool(first, setup, random);
  }
}
