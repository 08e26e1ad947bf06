import { solveIndex, type HubFace, type IndexResult } from '../indexing';
import { solveMachining, type HubShare, type MachiningResult } from '../machining';
import { averageLaps } from '../readings';
import { prepareRunout, solveRunout, type RunoutResult } from '../runout';
import {
  judgeThickness,
  measureThickness,
  type ThicknessFigures,
  type ThicknessResult,
} from '../thickness';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import {
  dtvLimit,
  runoutLimit,
  type AxleLimits,
  type CornerRecord,
  type HubSet,
  type RunoutSet,
  type ThicknessSet,
} from './record';

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
  readonly machining: {
    readonly onVehicle: MachiningResult;
    readonly bench: MachiningResult;
  } | null;
}

const isRunout = (set: CornerRecord['sets'][number]): set is RunoutSet => set.kind === 'runout';
const isThickness = (set: CornerRecord['sets'][number]): set is ThicknessSet =>
  set.kind === 'thickness';

/** One runout set judged against the axle's limit. */
export function assessRunout(set: RunoutSet, studs: number, limits: AxleLimits): RunoutResult {
  return solveRunout({
    face: set.face,
    laps: set.laps,
    closing: set.closing,
    studs,
    gauge: set.gauge,
    limit: runoutLimit(limits).value,
    endPlay:
      set.endPlay === undefined
        ? undefined
        : { value: set.endPlay, limit: WORKSHOP_DEFAULTS.endPlay },
  });
}

/** The hub-face limit on a circle: the workshop default scaled from its own radius. Source: handbook 19. */
export const hubFaceLimit = (radius: Micrometres): Micrometres =>
  (WORKSHOP_DEFAULTS.hubFaceRunout * radius) / WORKSHOP_DEFAULTS.hubFaceRadius;

/** The hub face's own runout judged against the workshop default on its circle. */
export const assessHubFace = (set: HubSet, studs: number): RunoutResult =>
  solveRunout({
    face: 'outboard',
    laps: set.laps,
    closing: set.closing,
    studs,
    gauge: set.gauge,
    limit: hubFaceLimit(set.radius),
  });

/** One thickness set: its figures, and its verdicts when a discard thickness is known. */
export function assessThickness(
  set: ThicknessSet,
  limits: AxleLimits,
): { figures: ThicknessFigures; verdicts: ThicknessResult | null } {
  const figures = measureThickness(
    {
      laps: set.laps,
      gauge: set.gauge,
      zeroError: set.zeroError,
      temperature: set.temperature === undefined ? undefined : { rotor: set.temperature },
    },
    { dtv: dtvLimit(limits).value },
  );
  const { discard, machineTo } = limits;
  const verdicts = discard
    ? judgeThickness(figures, { discard: discard.value, machineTo: machineTo?.value })
    : null;
  return { figures, verdicts };
}

/** A set's laps and closing readings, outboard-positive. */
function asMounting(set: RunoutSet): {
  shift: number;
  laps: number[][];
  closing: number[] | undefined;
} {
  const sign = set.face === 'inboard' ? -1 : 1;
  return {
    shift: set.shift,
    laps: set.laps.map((lap) => lap.map((value) => sign * value)),
    closing: set.closing?.map((value) => sign * value),
  };
}

/**
 * The hub face as the index solver takes it, its drift taken out; nothing where its base moved
 * or where the rotor's radius is not known, to which it must be brought.
 */
function hubFaceOf(set: HubSet, limits: AxleLimits): HubFace | undefined {
  const { radius, gauge, laps, closing } = set;
  const limit = hubFaceLimit(radius);
  const prepared = prepareRunout({ face: 'outboard', laps, closing, gauge, limit });
  const rotorRadius = limits.radius?.value;
  if (prepared.closure?.ok === false || rotorRadius === undefined) return undefined;
  return { laps: prepared.laps, radius, rotorRadius };
}

/** The mountings that can be solved together: those read at the latest one's positions. */
function indexOf(record: CornerRecord, runouts: readonly RunoutSet[]): IndexResult | null {
  const latest = runouts.at(-1);
  if (!latest) return null;
  const n = latest.laps[0]?.length ?? 0;
  const mounts = runouts.filter((set) => set.laps[0]?.length === n);
  const hub = record.sets.findLast((set) => set.kind === 'hub');
  return solveIndex({
    studs: record.studs,
    mounts: mounts.map(asMounting),
    hub: hub && hubFaceOf(hub, record.limits),
    gauge: latest.gauge,
    limit: runoutLimit(record.limits).value,
    allowedShifts: record.allowedShifts ?? undefined,
  });
}

/** Hub part of order 1 from the mountings, or nothing where they cannot tell it. */
function hubShare(index: IndexResult | null): HubShare | undefined {
  const first = index?.separation.find(({ order }) => order === 1);
  if (!first?.separable) return undefined;
  return { kind: 'phasor', ...first.hub };
}

/** Cuts on both lathes, from a runout set read in the thickness set's mounting and positions. */
function machiningOf(
  record: CornerRecord,
  runouts: readonly RunoutSet[],
  thickness: ThicknessSet | undefined,
  figures: ThicknessFigures | null,
  index: IndexResult | null,
): CornerAssessment['machining'] {
  const { discard, machineTo } = record.limits;
  if (!thickness || !figures || !discard) return null;
  const n = figures.averaged.length;
  const together = runouts.findLast(
    (set) => set.shift === thickness.shift && set.laps[0]?.length === n,
  );
  if (!together) return null;
  const outboard = prepareRunout({
    face: together.face,
    laps: together.laps,
    closing: together.closing,
    gauge: together.gauge,
    limit: runoutLimit(record.limits).value,
  }).averaged;
  const common = {
    outboard,
    thickness: figures.averaged,
    gauge: thickness.gauge,
    limits: { discard: discard.value, machineTo: machineTo?.value },
    equalCuts: record.equalCuts,
  };
  return {
    onVehicle: solveMachining({ ...common, lathe: { kind: 'on-vehicle' } }),
    bench: solveMachining({ ...common, lathe: { kind: 'bench', hub: hubShare(index) } }),
  };
}

/** Runs every solver that the corner's sets and limits allow. Lengths in micrometres. */
export function assessCorner(record: CornerRecord): CornerAssessment {
  const runouts = record.sets.filter(isRunout);
  const first = runouts[0];
  const latest = runouts.at(-1);
  const thicknessSet = record.sets.findLast(isThickness);
  const thickness = thicknessSet ? assessThickness(thicknessSet, record.limits) : null;
  const index = indexOf(record, runouts);
  return {
    runout: latest ? assessRunout(latest, record.studs, record.limits) : null,
    firstRunout: first ? assessRunout(first, record.studs, record.limits) : null,
    shift: latest?.shift ?? 0,
    thickness: thickness?.figures ?? null,
    thicknessVerdicts: thickness?.verdicts ?? null,
    index,
    machining: machiningOf(record, runouts, thicknessSet, thickness?.figures ?? null, index),
  };
}

/** The lap averages of a set, for drawing: micrometres, one a position, outboard-positive. */
export const averagedForDrawing = (set: CornerRecord['sets'][number]): number[] =>
  averageLaps(isRunout(set) ? asMounting(set).laps : set.laps);
