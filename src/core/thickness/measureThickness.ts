import {
  describeOrders,
  findOutliers,
  fitHarmonics,
  type HarmonicFit,
  type OrderReport,
  type Outlier,
} from '../harmonics';
import { extremeIndex, meanOf, minimum } from '../numeric';
import {
  averageLaps,
  evenAngles,
  pooledRepeatability,
  readingUncertainty,
  TRUSTED_POSITIONS,
  type Gauge,
  type Laps,
} from '../readings';
import type { Degrees, Micrometres } from '../units';
import {
  COVERAGE,
  HOT_ROTOR,
  judge,
  notMeasured,
  WORKSHOP_DEFAULTS,
  type Reason,
  type VarianceParts,
  type Verdict,
} from '../verdict';
import { correctLaps, temperatureFactor, type Temperatures } from './correct';
import { settle, withReading, type ReadPlace, type Settling } from './settle';

/** A single reading of the outer circle beyond the laps, its angle on the 7.5° raster. */
export interface ExtraReading {
  readonly angle: Degrees;
  readonly value: Micrometres;
}

/** A place on a rotor; its position is null where no lap has one. */
export interface ThicknessPlace {
  readonly position: number | null;
  readonly angleDeg: Degrees;
  readonly value: Micrometres;
}

/** A thickness set, lengths in micrometres, angles in degrees in the theta sense. */
export interface ThicknessReadings {
  readonly laps: Laps;
  /** A second circle, nearer the hub. */
  readonly innerLaps?: Laps | undefined;
  readonly angles?: readonly Degrees[] | undefined;
  readonly gauge: Gauge;
  readonly zeroError?: Micrometres | undefined;
  readonly temperature?: Temperatures | undefined;
  readonly extra?: readonly ExtraReading[] | undefined;
  /** Judge the variation by settling; with extra readings it always is. */
  readonly settle?: boolean | undefined;
}

/** Limits on how much thickness may vary, in micrometres. */
export interface VariationLimits {
  readonly dtv: Micrometres;
  readonly taper?: Micrometres | undefined;
}

/** What the readings alone say, before any limit on thickness itself. */
export interface ThicknessFigures {
  readonly n: number;
  /** Smallest place mean on either circle. */
  readonly min: Micrometres;
  readonly max: Micrometres;
  readonly mean: Micrometres;
  readonly dtv: Micrometres;
  readonly thin: ThicknessPlace;
  readonly thick: ThicknessPlace;
  /** Mean of the outer circle less mean of the inner, or null without an inner circle. */
  readonly taper: Micrometres | null;
  readonly temperatureCorrection: Micrometres;
  readonly orders: readonly OrderReport[];
  readonly outliers: readonly Outlier[];
  /** How far the variation is settled; null where it is not read so. */
  readonly settling: Settling | null;
  readonly dtvVerdict: Verdict;
  readonly taperVerdict: Verdict;
  /** Variance of the least thickness as an absolute figure, and the laps it is of. */
  readonly absolute: { readonly variance: VarianceParts; readonly laps: number };
  /** Findings on the quality of the set. */
  readonly quality: readonly Reason[];
  /** Corrected lap averages of the outer circle. */
  readonly averaged: readonly Micrometres[];
  readonly angles: readonly Degrees[];
  readonly fit: HarmonicFit;
}

/** One circle, corrected and averaged, with its scatter. */
interface Circle {
  readonly averaged: readonly Micrometres[];
  readonly laps: number;
  /** Standard deviation of one reading, the larger of laps' and gauge's. */
  readonly s: Micrometres;
  readonly sigma: Micrometres;
}

function prepareCircle(
  laps: Laps,
  gauge: Gauge,
  angles: readonly Degrees[],
  zeroError: number,
  factor: number,
): Circle {
  const corrected = correctLaps(laps, zeroError, factor);
  const repeatability = pooledRepeatability(corrected, angles);
  return {
    averaged: averageLaps(corrected),
    laps: laps.length,
    s: Math.max(repeatability ?? 0, gauge.repeatability),
    sigma: readingUncertainty(gauge, laps.length, repeatability),
  };
}

function judgeTaper(
  outer: Circle,
  inner: Circle | null,
  limit: Micrometres,
  gauge: Gauge,
): { taper: Micrometres | null; verdict: Verdict } {
  if (!inner) return { taper: null, verdict: notMeasured(limit, 'Thickness on the inner circle') };
  const taper = meanOf(outer.averaged) - meanOf(inner.averaged);
  const share = (circle: Circle): number =>
    (circle.s * circle.s) / (circle.averaged.length * circle.laps);
  const verdict = judge({
    value: Math.abs(taper),
    limit,
    side: 'upper',
    variance: {
      perLap: outer.laps * (share(outer) + share(inner)),
      constant: gauge.resolution ** 2 / 6,
    },
    laps: outer.laps,
  });
  return { taper, verdict };
}

function qualityReasons(input: ThicknessReadings, outliers: readonly Outlier[]): Reason[] {
  const n = input.laps[0]?.length ?? 0;
  const reasons: Reason[] = [];
  const temperature = input.temperature?.rotor;
  if (temperature !== undefined && temperature > HOT_ROTOR) {
    reasons.push({ code: 'hot', temperature });
  }
  if (n < TRUSTED_POSITIONS) reasons.push({ code: 'few-positions', n });
  return [...reasons, ...outliers.map((outlier): Reason => ({ code: 'outlier', ...outlier }))];
}

/** The outer circle's places with every reading that was taken there, the laps' places first. */
const placesOf = (
  outer: Circle,
  angles: readonly Degrees[],
  extra: readonly ExtraReading[],
): readonly ReadPlace[] =>
  extra.reduce<readonly ReadPlace[]>(
    (places, { angle, value }) => withReading(places, angle, value),
    outer.averaged.map((mean, position) => ({
      position,
      angleDeg: angles[position]!,
      mean,
      count: outer.laps,
    })),
  );

/** The place whose mean is the greatest (sign 1) or least (sign -1). */
function extremePlace(places: readonly ReadPlace[], sign: 1 | -1): ThicknessPlace {
  const {
    position = null,
    angleDeg,
    mean,
  } = places[
    extremeIndex(
      places.map((place) => place.mean),
      sign,
    )
  ]!;
  return { position, angleDeg, value: mean };
}

/** A settled variation in a verdict: within, it is not told smaller than the places read. */
function settledVerdict(
  { settling, state }: ReturnType<typeof settle>,
  asRead: Micrometres,
  limit: Micrometres,
  quality: readonly Reason[],
): Verdict {
  const value = state === 'within' ? Math.max(settling.value, asRead) : settling.value;
  const { next } = settling;
  const hint: Reason[] =
    state !== 'too-close'
      ? []
      : [next ? { code: 'read-next', angles: next } : { code: 'not-settled' }];
  return {
    state,
    value,
    limit,
    guardBand: COVERAGE * settling.uncertainty,
    margin: limit - value,
    lapsToSettle: null,
    reasons: [...quality, ...hint],
  };
}

/** The circles that were read and the places beyond them, put right for zero and temperature. */
function preparedOf(input: ThicknessReadings) {
  const { gauge, extra = [] } = input;
  const zeroError = input.zeroError ?? 0;
  const factor = temperatureFactor(input.temperature);
  const angles = input.angles ?? evenAngles(input.laps[0]?.length ?? 0);
  const outer = prepareCircle(input.laps, gauge, angles, zeroError, factor);
  // An inner circle may be read at other places, evenly spaced.
  const innerCount = input.innerLaps?.[0]?.length ?? 0;
  const innerAngles = innerCount === angles.length ? angles : evenAngles(innerCount);
  const inner = input.innerLaps
    ? prepareCircle(input.innerLaps, gauge, innerAngles, zeroError, factor)
    : null;
  const corrected = extra.map(({ angle, value }) => ({
    angle,
    value: (value - zeroError) * factor,
  }));
  return { angles, outer, inner, factor, places: placesOf(outer, angles, corrected) };
}

/**
 * The figures of a thickness set: variation, thin and thick place, taper, and how good they
 * are. The least thickness is of both circles, all else of the outer. The angles must be
 * fittable (`fittableOrders`). Source: handbook 3, 5, 8.
 */
export function measureThickness(
  input: ThicknessReadings,
  limits: VariationLimits,
): ThicknessFigures {
  const { gauge } = input;
  const { angles, outer, inner, factor, places } = preparedOf(input);
  const fit = fitHarmonics(angles, outer.averaged, outer.sigma);
  const outliers = findOutliers(angles, outer.averaged, outer.sigma, gauge);
  const thin = extremePlace(places, -1);
  const thick = extremePlace(places, 1);
  const innerMin = inner ? minimum(inner.averaged) : Infinity;
  const thinnest = inner && innerMin < thin.value ? inner : outer;
  const quality = qualityReasons(input, outliers);
  const mean = meanOf(outer.averaged);
  const taper = judgeTaper(outer, inner, limits.taper ?? WORKSHOP_DEFAULTS.taper, gauge);
  const constant = gauge.resolution ** 2 / 12;
  const dtv = thick.value - thin.value;
  const settled =
    input.settle === true || (input.extra ?? []).length > 0
      ? settle(places, outer.s ** 2 + constant, limits.dtv)
      : null;
  return {
    n: outer.averaged.length,
    min: Math.min(thin.value, innerMin),
    max: thick.value,
    mean,
    dtv,
    thin,
    thick,
    taper: taper.taper,
    temperatureCorrection: mean - mean / factor,
    orders: describeOrders(fit),
    outliers,
    settling: settled?.settling ?? null,
    dtvVerdict: settled
      ? settledVerdict(settled, dtv, limits.dtv, quality)
      : judge({
          value: dtv,
          limit: limits.dtv,
          side: 'upper',
          variance: { perLap: 2 * outer.s ** 2, constant: 2 * constant },
          laps: outer.laps,
          reasons: quality,
        }),
    taperVerdict: taper.verdict,
    absolute: {
      variance: { perLap: thinnest.s ** 2, constant: constant + (gauge.mpe ?? 0) ** 2 / 3 },
      laps: thinnest.laps,
    },
    quality,
    averaged: outer.averaged,
    angles,
    fit,
  };
}
