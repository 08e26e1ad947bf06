import type { Gauge } from '../readings';
import type { Degrees, Micrometres } from '../units';
import { fittableOrders } from './design';
import { fitHarmonics, type HarmonicFit } from './fit';

export interface Outlier {
  /** Position, counted from 0. */
  readonly position: number;
  /** How far the reading stands off from what the others say there, in micrometres. */
  readonly residual: Micrometres;
}

const MIN_DOF_ALL_ORDERS = 3;
const DEVIATIONS = 4;
const RESOLUTIONS = 3;

/** The orders used for the test: all, or 1 and 2 when too few degrees of freedom are left. */
function testOrders(angles: readonly Degrees[], studs: number | undefined): readonly number[] {
  const all = fittableOrders(angles, studs);
  const dof = angles.length - 1 - 2 * all.length;
  return dof < MIN_DOF_ALL_ORDERS ? all.filter((k) => k <= 2) : all;
}

/** Left-out residual and its scale at one position; null where nothing can be said. */
function leftOut(fit: HarmonicFit, j: number, sigma: number): { d: number; s: number } | null {
  const h = fit.leverages[j] ?? 1;
  const e = fit.residuals[j] ?? 0;
  const dofWithout = fit.degreesOfFreedom - 1;
  if (dofWithout < 1 || 1 - h < 1e-9) return null;
  const rss = fit.residuals.reduce((sum, r) => sum + r * r, 0);
  const without = Math.sqrt(Math.max(0, rss - (e * e) / (1 - h)) / dofWithout);
  return { d: e / (1 - h), s: Math.max(sigma, without) / Math.sqrt(1 - h) };
}

function worst(fit: HarmonicFit, sigma: number, gauge: Gauge): Outlier | null {
  let found: Outlier | null = null;
  fit.residuals.forEach((_, j) => {
    const test = leftOut(fit, j, sigma);
    if (!test) return;
    const size = Math.abs(test.d);
    const stands = size > DEVIATIONS * test.s && size > RESOLUTIONS * gauge.resolution;
    if (stands && (!found || size > Math.abs(found.residual))) {
      found = { position: j, residual: test.d };
    }
  });
  return found;
}

/**
 * Readings that stand off from what all the others say at their place: left out one at a
 * time, the largest first, refitted, and looked at again. They are pointed out, never
 * dropped. Angles in degrees, lengths in micrometres. Source: handbook 3.
 */
export function findOutliers(
  angles: readonly Degrees[],
  values: readonly Micrometres[],
  sigma: Micrometres,
  gauge: Gauge,
  studs?: number,
): Outlier[] {
  const found: Outlier[] = [];
  let kept = values.map((_, j) => j);
  while (kept.length > values.length / 2) {
    const keptAngles = kept.map((j) => angles[j] ?? NaN);
    const orders = testOrders(keptAngles, studs);
    if (orders.length === 0) break;
    const keptValues = kept.map((j) => values[j] ?? NaN);
    const fit = fitHarmonics(keptAngles, keptValues, sigma, { orders });
    const next = worst(fit, sigma, gauge);
    if (!next) break;
    const position = kept[next.position] ?? NaN;
    found.push({ position, residual: next.residual });
    kept = kept.filter((j) => j !== position);
  }
  return found;
}
