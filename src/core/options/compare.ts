import {
  machineToSource,
  runoutLimit,
  type CornerAssessment,
  type CornerRecord,
} from '../assessment';
import type { MachiningResult } from '../machining';
import { normalShare } from '../numeric';
import { advisePlate, type PlateAdvice } from '../plate';
import { leftOut } from '../quality';
import type { Micrometres } from '../units';
import { COVERAGE, WORKSHOP_DEFAULTS, type Verdict } from '../verdict';
import { distanceLeft, type DistanceLeft, type WearRate } from '../wear';
import { chanceOf, drawAction, groundOf, newHubShare, plateChoice, predictedOf } from './predict';
import type { Ground } from './predict';
import { ACTION_CODES, actionRecord, metalOf, type Action } from './actions';
import type { Note, Option } from './types';
import { costOf, expectedCost, type Cost, type Extra, type Shop } from './shop';

/** Everything that the options of one corner rest on. */
export interface OptionsInput {
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly shop: Shop;
  /** What is done beside the rotor, whatever is chosen. */
  readonly extras: readonly Extra[];
  /** What is done as well where metal is cut or renewed, by house rule. */
  readonly withMetal?: readonly Extra[] | undefined;
  readonly wear: WearRate;
  readonly seed?: number | undefined;
  readonly draws?: number | undefined;
  /** Spread of the readings as a share of what it is: below 1 for more laps. */
  readonly spread?: number | undefined;
}

/** Chance that a value judged against an upper limit is truly within. */
function chanceWithin({ margin, guardBand }: Verdict): number | null {
  if (margin === null || guardBand === null) return null;
  if (guardBand === 0) return margin >= 0 ? 1 : 0;
  return normalShare((margin * COVERAGE) / guardBand);
}

const missing = (what: Extract<Note, { code: 'missing' }>['what']): Note => ({
  code: 'missing',
  what,
});

const isCut = (action: Action): boolean => metalOf(action) === 'cut';
const keepsMetal = (action: Action): boolean => metalOf(action) === 'none';

/** The lathe's answer for a cut, or null. */
function cutFor(action: Action, { machining }: CornerAssessment): MachiningResult | null {
  const { lathe } = actionRecord(action);
  if (lathe === null || !machining) return null;
  return lathe === 'on-vehicle' ? machining.onVehicle : machining.bench;
}

/** Why the rotor itself may not stay: condemned, or not surely above its discard thickness. */
function againstRotor({ record, assessment }: OptionsInput): Note[] {
  const condemned = (record.ruledOut ?? [])
    .filter(({ what }) => what === 'rotor')
    .map(({ why }): Note => ({ code: 'ruled-out', why }));
  const discard = assessment.thicknessVerdicts?.verdicts.discard;
  if (discard?.state === 'beyond') {
    return [{ code: 'below-discard', by: -(discard.margin ?? 0) }, ...condemned];
  }
  return discard && discard.state !== 'within'
    ? [{ code: 'near-discard' }, ...condemned]
    : condemned;
}

/** Why a cut may not be made. */
function againstCut(action: Action, input: OptionsInput): Note[] {
  const { record, assessment, shop } = input;
  const ruled = (record.ruledOut ?? [])
    .filter(({ what }) => what === 'machining')
    .map(({ why }): Note => ({ code: 'ruled-out', why }));
  const isOnVehicle = actionRecord(action).lathe === 'on-vehicle';
  const lathe = isOnVehicle ? shop.equipment.onVehicle : shop.equipment.bench;
  const none: Note[] = lathe === 'none' ? [{ code: 'no-lathe' }] : [];
  const cut = cutFor(action, assessment);
  if (!cut || cut.verdict.state === 'within') return [...ruled, ...none];
  const { margin, guardBand } = cut.verdict;
  if (cut.verdict.reasons.some(({ code }) => code === 'below-discard')) return [...ruled, ...none];
  const thin: Note =
    cut.verdict.state === 'beyond'
      ? { code: 'too-thin', by: -(margin ?? 0) }
      : { code: 'near-machine-to', margin: margin ?? 0, guard: guardBand ?? 0 };
  return [...ruled, ...none, thin];
}

/** Why the rotor may not be moved on its studs. */
function againstMove({ record }: OptionsInput, { shifts }: Ground): Note[] {
  if (record.isCaptive) return [{ code: 'captive' }];
  return shifts.length < 2 ? [{ code: 'one-place' }] : [];
}

/** Why it need not be moved: it stands at the best place. */
function standsBest(input: OptionsInput, ground: Ground): Note[] {
  const { assessment } = input;
  const isBest = ground.isSeparated && assessment.index?.best.shift === ground.current;
  return isBest && againstMove(input, ground).length === 0 ? [{ code: 'best-already' }] : [];
}

/** Why no plate is fitted. */
function againstPlate(
  { record, assessment }: OptionsInput,
  ground: Ground,
  plate: PlateAdvice | null,
): Note[] {
  if (record.isCaptive) return [{ code: 'captive' }];
  if (!ground.isSeparated || plateChoice(ground) === null || plate) return [];
  return [
    assessment.index?.verdict.state === 'within'
      ? { code: 'plate-not-needed' }
      : { code: 'plate-no-better' },
  ];
}

/** Why the hub stays: its own runout leaves room for a rotor. Source: handbook 11. */
function againstHub(record: CornerRecord, { hub, limit }: Ground): Note[] {
  if (hub === null) return [];
  const allowed = Math.min(newHubShare(record.limits.radius?.value), limit);
  return hub > allowed ? [] : [{ code: 'hub-sound', hub, limit: allowed }];
}

/** Everything that forbids an action. */
function forbids(
  action: Action,
  input: OptionsInput,
  ground: Ground,
  plate: PlateAdvice | null,
): Note[] {
  const { assessment } = input;
  const { metal, lathe, isIndexed, needsSeat } = actionRecord(action);
  const rotor = metal === 'new' ? [] : againstRotor(input);
  const unseated: Note[] =
    assessment.index?.consistent === false && needsSeat ? [{ code: 'seat' }] : [];
  const cut = lathe === null ? [] : againstCut(action, input);
  const move = isIndexed ? againstMove(input, ground) : [];
  const own = OWN_GUARDS[action]?.(input, ground, plate) ?? [];
  return [...rotor, ...unseated, ...cut, ...move, ...own];
}

/** What speaks against one action alone. */
const OWN_GUARDS: Partial<
  Record<Action, (input: OptionsInput, ground: Ground, plate: PlateAdvice | null) => Note[]>
> = {
  index: standsBest,
  plate: againstPlate,
  hub: ({ record }, ground) => againstHub(record, ground),
  'hub-new': ({ record }, ground) => againstHub(record, ground),
  clean: ({ record }) => (wasCleaned(record) ? [{ code: 'clean-already' }] : []),
};

/** Whether hub face and hat were cleaned before the latest runout set, as far as was said. */
function wasCleaned({ sets, fastening }: CornerRecord): boolean {
  const latest = sets.findLast(({ kind }) => kind === 'runout');
  if (!latest) return false;
  const [label] = leftOut({ kind: 'runout', asFound: false, fastening }, ['clean']);
  return !(latest.quality ?? []).some(
    (reason) =>
      reason.code === 'not-prepared' && label !== undefined && reason.items.includes(label),
  );
}

/** What an action cannot be judged without. */
function lacks(action: Action, input: OptionsInput, ground: Ground): Note[] {
  const { record, assessment } = input;
  const needs: Note[] = [];
  const states = [assessment.runout?.verdict.state, assessment.index?.verdict.state];
  if (metalOf(action) !== 'new' && states.includes('not-valid')) needs.push(missing('valid'));
  if (keepsMetal(action) && !assessment.index) needs.push(missing('runout'));
  const { needsSeparation, renewsHub } = actionRecord(action);
  if (needsSeparation && assessment.index && !ground.isSeparated)
    needs.push(missing('second-mounting'));
  // What is not measured is not renewed on a guess, unless it must come off anyway.
  const mustGo = againstRotor(input).length > 0;
  if (metalOf(action) === 'new' && !assessment.index && !mustGo) needs.push(missing('runout'));
  const isAllNew = renewsHub && metalOf(action) === 'new';
  if (isAllNew && !assessment.index && mustGo) needs.push(missing('runout'));
  if (action === 'plate' && record.limits.radius === undefined) needs.push(missing('radius'));
  if (metalOf(action) !== 'new' && !record.limits.discard) needs.push(missing('discard'));
  if (isCut(action) && record.limits.discard) {
    if (!assessment.machining) needs.push(missing(assessment.thickness ? 'runout' : 'thickness'));
    else if (!cutFor(action, assessment)) needs.push(missing('present-seat'));
  }
  return needs;
}

/** What is assumed or stays as it is. */
function remarks(action: Action, input: OptionsInput, ground: Ground): Note[] {
  const { record, assessment, shop } = input;
  const notes: Note[] = [];
  if (action === 'clean') notes.push({ code: 'after-cleaning' });
  const { lathe, renewsHub } = actionRecord(action);
  const isTruedAlone = lathe === 'bench' || (metalOf(action) === 'new' && !renewsHub);
  if (isTruedAlone && !ground.isSeparated) {
    notes.push({ code: 'hub-assumed', hub: WORKSHOP_DEFAULTS.hubShareAtRotor });
  }
  if (isCut(action) && machineToSource(record.limits) === 'workshop' && !record.limits.machineTo) {
    notes.push({ code: 'machine-to-derived', reserve: WORKSHOP_DEFAULTS.wearReserve });
  }
  if (lathe === 'bench' && shop.equipment.bench === 'sent-out') {
    notes.push({ code: 'sent-out' });
  }
  if (metalOf(action) === 'new' && !record.limits.nominal) notes.push(missing('nominal'));
  if (metalOf(action) === 'new' && !record.limits.discard) notes.push(missing('discard'));
  const dtv = assessment.thickness?.dtvVerdict;
  if (keepsMetal(action) && dtv?.state === 'beyond') {
    notes.push({ code: 'dtv-stays', dtv: dtv.value ?? 0, limit: dtv.limit });
  }
  if (keepsMetal(action) && dtv?.state === 'too-close') {
    const chance = chanceWithin(dtv) ?? 1;
    notes.push({ code: 'dtv-near', dtv: dtv.value ?? 0, limit: dtv.limit, chance });
  }
  if (keepsMetal(action) && !dtv) notes.push({ code: 'dtv-assumed' });
  return notes;
}

/** Thinnest place after an action, with the verdict of a cut. */
function finishedAt(
  action: Action,
  { record, assessment }: OptionsInput,
): {
  readonly finished: Micrometres | null;
  readonly verdict: Verdict | null;
} {
  if (metalOf(action) === 'new')
    return { finished: record.limits.nominal?.value ?? null, verdict: null };
  if (isCut(action)) {
    const cut = cutFor(action, assessment);
    return { finished: cut?.finishedThickness ?? null, verdict: cut?.verdict ?? null };
  }
  return {
    finished: assessment.thickness?.min ?? null,
    verdict: assessment.thicknessVerdicts?.verdicts.discard ?? null,
  };
}

/** Distance to discard from a thickness. */
const distanceTo = (
  finished: Micrometres | null,
  { record, wear }: OptionsInput,
): DistanceLeft | null => {
  const discard = record.limits.discard?.value;
  return finished === null || discard === undefined ? null : distanceLeft(finished, discard, wear);
};

/** What keeps a row from being priced, as notes. */
function pricesMissing(cost: Cost, probability: number | null, shop: Shop): Note[] {
  const notes: Note[] = [];
  if (cost.missing.some((item) => item !== 'hourly')) notes.push(missing('price'));
  if (cost.missing.includes('hourly')) notes.push(missing('hourly'));
  if (shop.prices.comeback === null && probability !== 1) notes.push(missing('comeback'));
  return notes;
}

/** The central prediction, where one was made before any draw. */
function centralOf(
  action: Action,
  { assessment }: OptionsInput,
  ground: Ground,
  plate: PlateAdvice | null,
) {
  const { index } = assessment;
  if (action === 'plate') return plate?.tir;
  if (action === 'index') return index?.best.tir;
  if (action !== 'leave' || !index) return undefined;
  const here = index.predictions.find(({ shift }) => shift === ground.current);
  return (here ?? index.best).tir;
}

/** What is done beside the rotor with an action. */
export const extrasOf = (
  action: Action,
  { extras, withMetal = [] }: Pick<OptionsInput, 'extras' | 'withMetal'>,
): Extra[] => [...new Set(metalOf(action) === 'none' ? extras : [...extras, ...withMetal])];

function optionOf(
  action: Action,
  input: OptionsInput,
  ground: Ground,
  plate: PlateAdvice | null,
): Option {
  const { assessment, shop } = input;
  const chosenPlate = action === 'plate' ? plate : null;
  const shift =
    action === 'index' ? (assessment.index?.best.shift ?? null) : (chosenPlate?.shift ?? null);
  const drawn = drawAction(ground, action, { shift, plate });
  const dtv = assessment.thickness?.dtvVerdict;
  const dtvChance = keepsMetal(action) && dtv ? (chanceWithin(dtv) ?? 1) : 1;
  const chanceAt = drawn && ((limit: Micrometres): number => chanceOf(drawn, limit) * dtvChance);
  const probability = chanceAt ? chanceAt(ground.limit) : null;
  const { finished, verdict } = finishedAt(action, input);
  const cost = costOf([...actionRecord(action).items, ...extrasOf(action, input)], shop.prices);
  const predicted = drawn && predictedOf(drawn, ground.limit);
  const central = centralOf(action, input, ground, plate);
  const notes = remarks(action, input, ground);
  if (probability !== null && probability <= 0.05) notes.unshift({ code: 'does-not-cure' });
  return {
    action,
    forbidden: forbids(action, input, ground, plate),
    missing: [...lacks(action, input, ground), ...pricesMissing(cost, probability, shop)],
    notes,
    runout: predicted && central !== undefined ? around(predicted, central) : predicted,
    probability,
    finished,
    finishedVerdict: verdict,
    distance: distanceTo(finished, input),
    cost,
    expected: expectedCost(cost, probability, shop.prices.comeback),
    shift,
    plate: chosenPlate,
    chanceAt,
  };
}

/** A band with its central prediction, which it always holds. */
const around = <Band extends { low: Micrometres; high: Micrometres }>(
  band: Band,
  tir: Micrometres,
) => ({
  ...band,
  tir,
  low: Math.min(band.low, tir),
  high: Math.max(band.high, tir),
});

/**
 * Every option of one corner side by side, those that may not be taken among them with the
 * reason. Lengths in µm, money in the shop's currency. Source: handbook 6, 7, 9, 10, 11.
 */
export function compareOptions(input: OptionsInput): Option[] {
  const { record, assessment, shop, seed, draws, spread } = input;
  const ground = groundOf(record, assessment, shop, runoutLimit(record.limits).value, {
    seed: seed ?? 1,
    ...(draws === undefined ? {} : { draws }),
    ...(spread === undefined ? {} : { spread }),
  });
  const choice = plateChoice(ground);
  const plate =
    assessment.index && choice && !record.isCaptive
      ? advisePlate(assessment.index, choice, ground.limit, ground.seed)
      : null;
  return ACTION_CODES.map((action) => optionOf(action, input, ground, plate));
}
