/** Spacings between two nuts on a circle of `count`, the shorter way. */
export const spacing = (a: number, b: number, count: number): number => {
  const apart = Math.abs(a - b) % count;
  return Math.min(apart, count - apart);
};

/**
 * How unevenly nuts are spread round a circle: the sum of the squared gaps between neighbours,
 * in spacings; least where they are spread most evenly.
 */
export function unevenness(nuts: readonly number[], count: number): number {
  const sorted = [...nuts].sort((p, q) => p - q);
  return sorted.reduce((sum, nut, i) => {
    const next = sorted[(i + 1) % sorted.length] ?? nut;
    const gap = (next - nut + count) % count || count;
    return sum + gap * gap;
  }, 0);
}

/** The orders that go on from `order` as far as can be from its last nut. */
function farthest(order: readonly number[], count: number): number[][] {
  const last = order.at(-1) ?? 0;
  const left = Array.from({ length: count }, (_, nut) => nut).filter((nut) => !order.includes(nut));
  const reach = Math.max(...left.map((nut) => spacing(last, nut, count)));
  return left.filter((nut) => spacing(last, nut, count) === reach).map((nut) => [...order, nut]);
}

/**
 * The order in which the nuts of a wheel are drawn up, counted from 0 at stud 1 in the theta
 * sense: each next nut as far as can be from the one before; among those the nuts already
 * drawn up spread most evenly, step by step; then the lower number. Source: handbook 15.
 * @param count nuts or bolts of the wheel, 3 to 10
 */
export function starOrder(count: number): number[] {
  if (!Number.isInteger(count) || count < 3 || count > 10) {
    throw new RangeError(`A wheel has 3 to 10 nuts, not ${count}`);
  }
  let ways: number[][] = [[0]];
  for (let drawn = 1; drawn < count; drawn += 1) {
    const next = ways.flatMap((order) => farthest(order, count));
    const least = Math.min(...next.map((order) => unevenness(order, count)));
    ways = next.filter((order) => unevenness(order, count) === least);
  }
  // Every step lists the lower number first, so the first way left is the lowest of its equals.
  return ways[0] ?? [];
}

/** One pull of the wrench: which nut, in which stage. */
export interface Pull {
  readonly nut: number;
  readonly stage: number;
}

/** All pulls of a wheel in order: the star once for every stage. */
export const pullsOf = (count: number, stages: number): Pull[] =>
  Array.from({ length: stages }, (_, stage) =>
    starOrder(count).map((nut) => ({ nut, stage })),
  ).flat();
