import { maximum, minimum } from '../numeric';
import { evenAngles, inRadians, readingUncertainty, type Gauge } from '../readings';
import { machineToOf, type ThicknessLimits } from '../thickness';
import { toRadians, type Degrees, type Micrometres } from '../units';
import { judge, WORKSHOP_DEFAULTS, type Reason, type Verdict } from '../verdict';

/** What is known of the hub's order-1 share at the rotor's circle. */
export type HubShare =
  | { readonly kind: 'phasor'; readonly amplitude: Micrometres; readonly highSpotDeg: Degrees }
  | {
      readonly kind: 'limit';
      /** As TIR, at `radius` when that is given, else at the rotor's circle. */
      readonly limit: Micrometres;
      readonly radius?: Micrometres | undefined;
      readonly rotorRadius?: Micrometres | undefined;
    };

export type Lathe =
  | { readonly kind: 'on-vehicle'; readonly residual?: Micrometres | undefined }
  | {
      readonly kind: 'bench';
      readonly arborError?: Micrometres | undefined;
      readonly hub?: HubShare | undefined;
    };

/** Profiles share their evenly spaced positions; outboard-positive; micrometres. */
export interface MachiningInput {
  readonly outboard: readonly Micrometres[];
  readonly thickness: readonly Micrometres[];
  readonly scoreOutboard?: Micrometres | undefined;
  readonly scoreInboard?: Micrometres | undefined;
  readonly cleanUp?: Micrometres | undefined;
  readonly lathe: Lathe;
  readonly maxRoughing?: Micrometres | undefined;
  readonly finishing?: Micrometres | undefined;
  readonly gauge: Gauge;
  readonly limits: Pick<ThicknessLimits, 'machineTo' | 'discard'>;
  readonly equalCuts?: boolean | undefined;
}

export interface MachiningResult {
  readonly finishedThickness: Micrometres;
  readonly finishedThicknessRange: readonly [Micrometres, Micrometres];
  /** Depth from first contact on each side. */
  readonly depthOutboard: Micrometres;
  readonly depthInboard: Micrometres;
  readonly removedFromThickest: Micrometres;
  readonly budget: Micrometres;
  readonly budgetPerSide: Micrometres;
  readonly machineTo: Micrometres;
  readonly machineToDerived: boolean;
  readonly passes: { readonly outboard: readonly number[]; readonly inboard: readonly number[] };
  /** TIR that stays on the vehicle after the cut; null where the hub is not known. */
  readonly remainingRunout: Micrometres | null;
  readonly verdict: Verdict;
  readonly equalCutsAlternative: {
    readonly finishedThickness: Micrometres;
    readonly depth: Micrometres;
  };
}

interface Cut {
  readonly finished: Micrometres;
  readonly outboard: Micrometres;
  readonly inboard: Micrometres;
}

interface Allowances {
  readonly outboard: Micrometres;
  readonly inboard: Micrometres;
}

/** The cut of a rotor whose outboard profile in the lathe's axis frame is `u`. */
function cutOf(
  u: readonly number[],
  thickness: readonly number[],
  allow: Allowances,
  equal: boolean,
): Cut {
  const v = u.map((value, j) => value - (thickness[j] ?? NaN));
  const topOutboard = maximum(u);
  const topInboard = minimum(v);
  const outboard = topOutboard - (minimum(u) - allow.outboard);
  const inboard = maximum(v) + allow.inboard - topInboard;
  if (!equal) {
    return { finished: topOutboard - outboard - (topInboard + inboard), outboard, inboard };
  }
  const depth = Math.max(outboard, inboard);
  return { finished: topOutboard - depth - (topInboard + depth), outboard: depth, inboard: depth };
}

/**
 * The cut that leaves least metal when the rotor sits tilted by `amplitude` in an unknown
 * phase (1° grid). The finished thickness is concave in the tilt, so the full amplitude
 * is the worst. Source: handbook 9.
 */
function worstCut(
  u: readonly number[],
  thickness: readonly number[],
  allow: Allowances,
  amplitude: Micrometres,
  equal: boolean,
): Cut {
  if (amplitude === 0) return cutOf(u, thickness, allow, equal);
  const angles = inRadians(evenAngles(u.length));
  let worst: Cut | null = null;
  for (let phase = 0; phase < 360; phase += 1) {
    const tilted = u.map(
      (value, j) => value + amplitude * Math.cos((angles[j] ?? 0) - toRadians(phase)),
    );
    const cut = cutOf(tilted, thickness, allow, equal);
    if (!worst || cut.finished < worst.finished) worst = cut;
  }
  if (!worst) throw new RangeError('No phase was tried');
  return worst;
}

/** The profile in the lathe's frame, its two tilts (zero to peak) and what runout remains. */
interface Setup {
  readonly u: readonly Micrometres[];
  readonly worstTilt: Micrometres;
  readonly bestTilt: Micrometres;
  readonly remainingRunout: Micrometres | null;
}

function hubLimitAtRotor(hub: Extract<HubShare, { kind: 'limit' }> | undefined): Micrometres {
  if (!hub) return WORKSHOP_DEFAULTS.hubShareAtRotor;
  if (hub.radius === undefined || hub.rotorRadius === undefined) return hub.limit;
  return (hub.limit * hub.rotorRadius) / hub.radius;
}

function setUp(outboard: readonly Micrometres[], lathe: Lathe): Setup {
  if (lathe.kind === 'on-vehicle') {
    return {
      u: outboard,
      worstTilt: 0,
      bestTilt: 0,
      remainingRunout: lathe.residual ?? WORKSHOP_DEFAULTS.onVehicleResidual,
    };
  }
  const arbor = lathe.arborError ?? WORKSHOP_DEFAULTS.arborError;
  const { hub } = lathe;
  if (hub?.kind === 'phasor') {
    const high = toRadians(hub.highSpotDeg);
    const angles = inRadians(evenAngles(outboard.length));
    return {
      u: outboard.map((value, j) => value - hub.amplitude * Math.cos((angles[j] ?? 0) - high)),
      worstTilt: arbor / 2,
      bestTilt: arbor / 2,
      remainingRunout: 2 * hub.amplitude + arbor,
    };
  }
  return {
    u: outboard,
    worstTilt: (arbor + hubLimitAtRotor(hub)) / 2,
    bestTilt: arbor / 2,
    remainingRunout: null,
  };
}

/**
 * Passes of one side, in the order they are cut: equal roughing passes of at most
 * `maxRoughing`, then one finishing pass. They sum to the depth. Source: handbook 9.
 */
export function passPlan(
  depth: Micrometres,
  maxRoughing: Micrometres,
  finishing: Micrometres,
): Micrometres[] {
  if (depth <= finishing) return [depth];
  const rough = depth - finishing;
  const count = Math.ceil(rough / maxRoughing - 1e-9);
  return [...new Array<number>(count).fill(rough / count), finishing];
}

function judgeCut(
  input: MachiningInput,
  finished: Micrometres,
  machineTo: Micrometres,
  reasons: readonly Reason[],
): Verdict {
  const { gauge } = input;
  const thinnest = minimum(input.thickness);
  const absolute = readingUncertainty(gauge, 1, null) ** 2 + (gauge.mpe ?? 0) ** 2 / 3;
  const verdict = judge({
    value: finished,
    limit: machineTo,
    side: 'lower',
    // Laps do not help: the finished thickness is a plan, not a reading.
    variance: { perLap: 0, constant: absolute },
    laps: 1,
  });
  const margin = verdict.margin ?? 0;
  const guardBand = verdict.guardBand ?? 0;
  if (thinnest < input.limits.discard) {
    const below: Reason = { code: 'below-discard', min: thinnest, discard: input.limits.discard };
    return { ...verdict, state: 'beyond', lapsToSettle: null, reasons: [below, ...reasons] };
  }
  const own: Reason[] =
    verdict.state === 'beyond'
      ? [{ code: 'too-thin-after-cut', by: -margin }]
      : verdict.state === 'too-close'
        ? [{ code: 'too-close-to-cut', margin, guardBand }]
        : [];
  return { ...verdict, lapsToSettle: null, reasons: [...own, ...reasons] };
}

/**
 * How deep a rotor must be cut to clean up both faces, and whether that leaves enough.
 * Lengths in micrometres; depths count from first contact. `machine` only when the
 * verdict is within. Source: handbook 9.
 */
export function solveMachining(input: MachiningInput): MachiningResult {
  const cleanUp = input.cleanUp ?? WORKSHOP_DEFAULTS.cleanUp;
  const allow: Allowances = {
    outboard: (input.scoreOutboard ?? 0) + cleanUp,
    inboard: (input.scoreInboard ?? 0) + cleanUp,
  };
  const setup = setUp(input.outboard, input.lathe);
  const cutWith = (tilt: Micrometres, equal: boolean): Cut =>
    worstCut(setup.u, input.thickness, allow, tilt, equal);
  const equalCuts = input.equalCuts ?? false;
  const cut = cutWith(setup.worstTilt, equalCuts);
  const equal = equalCuts ? cut : cutWith(setup.worstTilt, true);
  const best = setup.bestTilt === setup.worstTilt ? cut : cutWith(setup.bestTilt, equalCuts);
  const { machineTo, derived, reasons } = machineToOf(input.limits);
  const budget = minimum(input.thickness) - machineTo;
  const notes: Reason[] = [...reasons];
  if ((input.scoreOutboard ?? 0) > 0 || (input.scoreInboard ?? 0) > 0) {
    notes.push({ code: 'scores-at-lowest' });
  }
  if (setup.remainingRunout === null) notes.push({ code: 'hub-unknown' });
  const maxRoughing = input.maxRoughing ?? WORKSHOP_DEFAULTS.maxRoughing;
  const finishing = input.finishing ?? WORKSHOP_DEFAULTS.finishing;
  return {
    finishedThickness: cut.finished,
    finishedThicknessRange: [Math.min(cut.finished, best.finished), best.finished],
    depthOutboard: cut.outboard,
    depthInboard: cut.inboard,
    removedFromThickest: maximum(input.thickness) - cut.finished,
    budget,
    budgetPerSide: budget / 2,
    machineTo,
    machineToDerived: derived,
    passes: {
      outboard: passPlan(cut.outboard, maxRoughing, finishing),
      inboard: passPlan(cut.inboard, maxRoughing, finishing),
    },
    remainingRunout: setup.remainingRunout,
    verdict: judgeCut(input, cut.finished, machineTo, notes),
    equalCutsAlternative: { finishedThickness: equal.finished, depth: equal.outboard },
  };
}
