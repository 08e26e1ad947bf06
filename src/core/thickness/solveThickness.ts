import type { Micrometres } from '../units';
import { judge, WORKSHOP_DEFAULTS, type Reason, type Verdict } from '../verdict';
import {
  measureThickness,
  type ThicknessFigures,
  type ThicknessReadings,
  type VariationLimits,
} from './measureThickness';

/** Thickness limits in micrometres. */
export interface ThicknessLimits extends VariationLimits {
  readonly nominal?: Micrometres | undefined;
  readonly machineTo?: Micrometres | undefined;
  readonly discard: Micrometres;
}

export interface ThicknessInput extends ThicknessReadings {
  readonly limits: ThicknessLimits;
}

export interface ThicknessResult {
  readonly figures: ThicknessFigures;
  readonly machineTo: Micrometres;
  readonly machineToDerived: boolean;
  readonly verdicts: {
    readonly dtv: Verdict;
    readonly discard: Verdict;
    readonly machineTo: Verdict;
    readonly taper: Verdict;
  };
}

/** Machine-to as given, or discard plus the workshop's wear reserve. Source: handbook 8. */
export function machineToOf(limits: Pick<ThicknessLimits, 'machineTo' | 'discard'>): {
  readonly machineTo: Micrometres;
  readonly derived: boolean;
  readonly reasons: readonly Reason[];
} {
  if (limits.machineTo !== undefined) {
    return { machineTo: limits.machineTo, derived: false, reasons: [] };
  }
  const reserve = WORKSHOP_DEFAULTS.wearReserve;
  return {
    machineTo: limits.discard + reserve,
    derived: true,
    reasons: [{ code: 'machine-to-derived', reserve }],
  };
}

/** The least thickness against discard and machine-to. Lengths in micrometres. Source: handbook 5, 8. */
export function judgeThickness(
  figures: ThicknessFigures,
  limits: Pick<ThicknessLimits, 'machineTo' | 'discard'>,
): ThicknessResult {
  const { machineTo, derived, reasons } = machineToOf(limits);
  const absolute = { value: figures.min, side: 'lower', ...figures.absolute } as const;
  return {
    figures,
    machineTo,
    machineToDerived: derived,
    verdicts: {
      dtv: figures.dtvVerdict,
      discard: judge({ ...absolute, limit: limits.discard, reasons: figures.quality }),
      machineTo: judge({
        ...absolute,
        limit: machineTo,
        reasons: [...figures.quality, ...reasons],
      }),
      taper: figures.taperVerdict,
    },
  };
}

/** Thickness of one rotor with all its verdicts. Source: handbook 3, 5, 8. */
export function solveThickness(input: ThicknessInput): ThicknessResult {
  return judgeThickness(measureThickness(input, input.limits), input.limits);
}
