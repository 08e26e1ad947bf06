import {
  checkMounting,
  doubtSeat,
  solveIndex,
  type HubFace,
  type IndexInput,
  type IndexResult,
  type Mounting,
  type MountingCheck,
  type SeatDoubt,
} from '../indexing';
import { crossCheck, temperatureReason, thickerThanNew, type CrossCheck } from '../quality';
import { averageLaps, checkClosure } from '../readings';
import { solveRunout, type RunoutResult } from '../runout';
import {
  judgeThickness,
  measureThickness,
  temperatureFactor,
  type ThicknessFigures,
  type ThicknessResult,
} from '../thickness';
import { WORKSHOP_DEFAULTS, type Reason } from '../verdict';
import {
  dtvLimit,
  hubFaceLimit,
  runoutLimit,
  type AxleLimits,
  type CornerRecord,
  type HubSet,
  type RunoutSet,
  type ThicknessSet,
} from './record';
import { planCuts, type PlannedCuts } from './cuts';
import { atCommonPlaces, atSamePlaces, averagesOf, readLike } from './places';
import { onTheirGauges, withReasons } from './readingNotes';

/** Everything the solvers can say of one corner; null where something is missing. */
export interface CornerAssessment {
  /** The latest mounting's runout. */
  readonly runout: RunoutResult | null;
  /** The first mounting's runout: how the rotor was found. */
  readonly firstRunout: RunoutResult | null;
  /** Shift of the latest mounting. */
  readonly shift: number;
  readonly thickness: ThicknessFigures | null;
  /** Null without a thickness set or without a discard thickness. */
  readonly thicknessVerdicts: ThicknessResult | null;
  readonly index: IndexResult | null;
  /** The latest mounting against what the earlier ones predict for it. */
  readonly mounting: MountingCheck | null;
  /** The set (of the record’s) whose seat is asked for: it reads otherwise than it should there. */
  readonly seatDoubt: (Omit<SeatDoubt, 'mount'> & { readonly set: number }) | null;
  /** Outboard less inboard runout against thickness, where all three share a mounting. */
  readonly crossCheck: CrossCheck | null;
  readonly machining: PlannedCuts | null;
}

const isRunout = (set: CornerRecord['sets'][number]): set is RunoutSet => set.kind === 'runout';
const isThickness = (set: CornerRecord['sets'][number]): set is ThicknessSet =>
  set.kind === 'thickness';

const isInner = (set: CornerRecord['sets'][number]): set is ThicknessSet =>
  isThickness(set) && set.circle === 'inner';
const isOuter = (set: CornerRecord['sets'][number]): set is ThicknessSet =>
  isThickness(set) && set.circle !== 'inner';

/** End play with its limit, as the solver takes it; nothing where it was not measured. */
const endPlayOf = ({ endPlay }: RunoutSet | HubSet) =>
  endPlay === undefined ? undefined : { value: endPlay, limit: WORKSHOP_DEFAULTS.endPlay };

/** One runout set judged against the axle's limit. */
export function assessRunout(set: RunoutSet, studs: number, limits: AxleLimits): RunoutResult {
  const result = solveRunout({
    face: set.face,
    laps: set.laps,
    closing: set.closing,
    angles: set.angles,
    studs,
    gauge: set.gauge,
    limit: runoutLimit(limits).value,
    endPlay: endPlayOf(set),
    pressed: set.pressed,
    turns: set.turns,
    sweep: set.sweep,
  });
  return { ...result, verdict: withReasons(result.verdict, set.quality ?? []) };
}

/** The hub face's own runout judged against the workshop default on its circle. */
export function assessHubFace(set: HubSet, studs: number): RunoutResult {
  const limit = hubFaceLimit(set.radius);
  const { laps, closing, angles, gauge, sweep } = set;
  const result = solveRunout({
    face: 'outboard',
    laps,
    closing,
    angles,
    studs,
    gauge,
    limit,
    endPlay: endPlayOf(set),
    sweep,
  });
  // The face is a share of the runout, read for its tilt: no slow turn is asked of it.
  const { verdict } = result;
  const reasons = verdict.reasons.filter(({ code }) => code !== 'at-places');
  return { ...result, verdict: withReasons({ ...verdict, reasons }, set.quality ?? []) };
}

/** What a thickness set's own figures say about its quality beside the solver's findings. */
function thicknessQuality(figures: ThicknessFigures, set: ThicknessSet, limits: AxleLimits) {
  const own = [
    temperatureReason(set.temperature, figures.temperatureCorrection),
    thickerThanNew(figures.min, limits.nominal?.value),
  ];
  return [...own.filter((reason) => reason !== null), ...(set.quality ?? [])];
}

/**
 * One thickness set, with the inner circle if there is one: its figures, and its verdicts
 * when a discard thickness is known.
 */
export function assessThickness(
  set: ThicknessSet,
  limits: AxleLimits,
  inner?: ThicknessSet,
): { figures: ThicknessFigures; verdicts: ThicknessResult | null } {
  const measured = measureThickness(
    {
      laps: set.laps,
      innerLaps: inner && asReadLike(inner, set),
      angles: set.angles,
      gauge: set.gauge,
      zeroError: set.zeroError,
      temperature: set.temperature === undefined ? undefined : { rotor: set.temperature },
      extra: set.extra,
      settle: set.settle,
    },
    { dtv: dtvLimit(limits).value },
  );
  const known = thicknessQuality(measured, set, limits);
  const figures = {
    ...measured,
    quality: [...measured.quality, ...known],
    dtvVerdict: withReasons(measured.dtvVerdict, known),
  };
  const { discard, machineTo } = limits;
  const verdicts = discard
    ? judgeThickness(figures, { discard: discard.value, machineTo: machineTo?.value })
    : null;
  return { figures, verdicts };
}

/** An inner circle's laps as they would read with the outer's zero and temperature. */
function asReadLike(inner: ThicknessSet, outer: ThicknessSet): number[][] {
  const factorOf = ({ temperature }: ThicknessSet): number =>
    temperatureFactor(temperature === undefined ? undefined : { rotor: temperature });
  const ratio = factorOf(inner) / factorOf(outer);
  return inner.laps.map((lap) =>
    lap.map((value) => (value - (inner.zeroError ?? 0)) * ratio + (outer.zeroError ?? 0)),
  );
}

/** Runout sets as they were read, and at places that they share, in the same order. */
interface Mountings {
  readonly runouts: readonly RunoutSet[];
  readonly solved: readonly RunoutSet[];
}

/** Which of the mountings that are solved together reads as another seat, unless it was confirmed. */
function seatDoubtOf(
  { sets }: CornerRecord,
  input: IndexInput,
  { runouts, solved }: Mountings,
): CornerAssessment['seatDoubt'] {
  const latest = solved.at(-1);
  // The two faces of a rotor are two waves: each is held against its own.
  for (const face of ['outboard', 'inboard'] as const) {
    const alike = solved.filter((set) => latest && atSamePlaces(set, latest) && set.face === face);
    const answered = alike.flatMap(({ isSeatSaid }, i) => (isSeatSaid ? [i] : []));
    const doubt = doubtSeat({ ...input, mounts: alike.map(asMounting) }, answered);
    const set = doubt && alike[doubt.mount];
    if (!set) continue;
    const own = runouts[solved.indexOf(set)]!;
    return { stated: doubt.stated, readsAs: doubt.readsAs, set: sets.indexOf(own) };
  }
  return null;
}

/** A set's laps and closing readings, outboard-positive. */
function asMounting(set: RunoutSet): Mounting {
  const sign = set.face === 'inboard' ? -1 : 1;
  return {
    shift: set.shift,
    laps: set.laps.map((lap) => lap.map((value) => sign * value)),
    closing: set.closing?.map((value) => sign * value),
    endPlay: endPlayOf(set),
    pressed: set.pressed,
  };
}

/**
 * The hub face as the index solver takes it; nothing where its base moved, the bearing has too
 * much play, or where the rotor's radius is not known, to which it must be brought.
 */
function hubFaceOf(set: HubSet, limits: AxleLimits): HubFace | undefined {
  const { radius, gauge, laps, closing, angles } = set;
  const rotorRadius = limits.radius?.value;
  const hasPlay = set.endPlay !== undefined && set.endPlay > WORKSHOP_DEFAULTS.endPlay;
  if (hasPlay || rotorRadius === undefined) return undefined;
  const closure = closing && checkClosure(laps, closing, gauge.resolution, hubFaceLimit(radius));
  return closure?.ok === false ? undefined : { laps, closing, angles, radius, rotorRadius };
}

/** The mountings that can be solved together: those read at the latest one's positions. */
function indexInput(
  record: CornerRecord,
  { solved }: Mountings,
  draws: number | undefined,
): IndexInput | null {
  const latest = solved.at(-1);
  if (!latest) return null;
  const mounts = solved.filter((set) => atSamePlaces(set, latest));
  const hub = record.sets.findLast((set) => set.kind === 'hub');
  return {
    studs: record.studs,
    mounts: mounts.map(asMounting),
    angles: latest.angles,
    hub: hub && hubFaceOf(hub, record.limits),
    gauge: latest.gauge,
    limit: runoutLimit(record.limits).value,
    allowedShifts: record.allowedShifts ?? undefined,
    draws,
  };
}

/** The cross-check, where both faces and the thickness were read in one mounting. */
function crossCheckOf(
  { limits }: CornerRecord,
  runouts: readonly RunoutSet[],
  thickness: ThicknessSet | undefined,
  figures: ThicknessFigures | null,
): CrossCheck | null {
  if (!thickness || !figures) return null;
  const dialOn = (face: RunoutSet['face']): RunoutSet | undefined =>
    runouts
      .map((set) => readLike(set, thickness))
      .findLast(
        (set) => set.face === face && set.shift === thickness.shift && atSamePlaces(set, thickness),
      );
  const [outboard, inboard] = [dialOn('outboard'), dialOn('inboard')];
  if (!outboard || !inboard) return null;
  const limit = runoutLimit(limits).value;
  const { variance, laps } = figures.absolute;
  // What is common to all positions, the micrometer’s permissible error, bears on no difference.
  const common = (thickness.gauge.mpe ?? 0) ** 2 / 3;
  const sigma = Math.sqrt(variance.perLap / laps + variance.constant - common);
  return crossCheck(averagesOf(outboard, limit), averagesOf(inboard, limit), {
    averaged: figures.averaged,
    sigma,
  });
}

/**
 * Runs every solver that the corner's sets and limits allow. Lengths in micrometres.
 * `draws`: of the predictions, fewer only where many corners are simulated.
 */
export function assessCorner(record: CornerRecord, draws?: number): CornerAssessment {
  const runouts = record.sets.filter(isRunout);
  const first = runouts[0];
  const latest = runouts.at(-1);
  const thicknessSet = record.sets.findLast(isOuter);
  const inner = record.sets.filter(isInner).findLast(({ shift }) => shift === thicknessSet?.shift);
  const thickness = thicknessSet ? assessThickness(thicknessSet, record.limits, inner) : null;
  const mountings = { runouts, solved: atCommonPlaces(runouts) };
  const input = indexInput(record, mountings, draws);
  const index = input && onTheirGauges(solveIndex(input), runouts);
  const check = crossCheckOf(record, runouts, thicknessSet, thickness?.figures ?? null);
  const doubt: Reason[] = check && !check.ok ? [{ code: 'cross-check', ...check }] : [];
  const figures = thickness && {
    ...thickness.figures,
    dtvVerdict: withReasons(thickness.figures.dtvVerdict, doubt),
  };
  const judged = latest && assessRunout(latest, record.studs, record.limits);
  // Cuts are planned where somebody asks for them: a bench that reads, and most of what is decided, does not.
  let cuts: { readonly planned: PlannedCuts | null } | null = null;
  return {
    runout: judged ? { ...judged, verdict: withReasons(judged.verdict, doubt) } : null,
    firstRunout: first ? assessRunout(first, record.studs, record.limits) : null,
    shift: latest?.shift ?? 0,
    thickness: figures,
    thicknessVerdicts: thickness?.verdicts ?? null,
    index,
    mounting: input && checkMounting(input),
    seatDoubt: input && seatDoubtOf(record, input, mountings),
    crossCheck: check,
    get machining() {
      cuts ??= { planned: planCuts(record, runouts, thicknessSet, figures, index) };
      return cuts.planned;
    },
  };
}

/** The lap averages of a set, for drawing: micrometres, one a position, outboard-positive. */
export const averagedForDrawing = (set: CornerRecord['sets'][number]): number[] =>
  averageLaps(isRunout(set) ? asMounting(set).laps : set.laps);
