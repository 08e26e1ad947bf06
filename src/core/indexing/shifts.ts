import { cis, modulus, subtract, complex } from '../numeric';

/** Angle of one stud spacing in radians. */
export const studAngle = (studs: number): number => (2 * Math.PI) / studs;

/** Number of stud spacings from one shift to another by the shorter way. */
export function movement(from: number, to: number, studs: number): number {
  const forward = (((to - from) % studs) + studs) % studs;
  return Math.min(forward, studs - forward);
}

/** The shorter way from one shift to another: studs, and +1 along theta or -1 against it. */
export function shortestTurn(
  from: number,
  to: number,
  studs: number,
): { readonly studs: number; readonly sense: 1 | -1 } {
  const forward = (((to - from) % studs) + studs) % studs;
  return forward <= studs - forward
    ? { studs: forward, sense: 1 }
    : { studs: studs - forward, sense: -1 };
}

const ONE = complex(1, 0);

/** How badly orders 1 and 2 are told apart by a second mounting `m` spacings from the first. */
function separationCost(m: number, studs: number): number {
  const cost = (k: number, weight: number): number => {
    const below = modulus(subtract(cis(k * m * studAngle(studs)), ONE)) ** 2;
    return below < 1e-9 ? Infinity : weight / below;
  };
  return cost(1, 4) + cost(2, 1);
}

/**
 * The shift to measure next so that orders 1 and 2 of hub and rotor can be told apart,
 * among the allowed ones not measured yet; null when there is none. Ties: the smaller
 * movement, then the lower number. Source: handbook 6.
 */
export function nextMountShift(
  studs: number,
  first: number,
  measured: readonly number[],
  allowed: readonly number[],
): number | null {
  const candidates = allowed
    .filter((shift) => !measured.includes(shift))
    .map((shift) => ({
      shift,
      cost: separationCost(shift - first, studs),
      move: movement(first, shift, studs),
    }));
  candidates.sort((p, q) => {
    const sameCost = p.cost === q.cost || Math.abs(p.cost - q.cost) < 1e-9;
    return sameCost ? p.move - q.move || p.shift - q.shift : p.cost - q.cost;
  });
  return candidates[0]?.shift ?? null;
}
