import { fits } from '../procedure';
import { parseTorque, toNewtonMetres, type TypedTorque } from '../units';
import {
  challengeTorque,
  fastenerOf,
  fastenerOfThread,
  FASTENERS,
  pulledAmiss,
  pullsOf,
  spacing,
  starOrder,
  threadDiameter,
  unevenness,
} from './index';

/** Gives every order of the nuts that starts at nut 0, lower numbers first; the array is reused. */
function everyOrder(count: number, give: (order: readonly number[]) => void): void {
  const order = [0];
  const isTaken = new Array<boolean>(count).fill(false);
  const goOn = (): void => {
    if (order.length === count) return give(order);
    for (let nut = 1; nut < count; nut += 1) {
      if (isTaken[nut]) continue;
      isTaken[nut] = true;
      order.push(nut);
      goOn();
      order.pop();
      isTaken[nut] = false;
    }
  };
  goOn();
}

/** Whether each next nut is as far as can be from the one before. */
function goesFar(order: readonly number[], count: number): boolean {
  for (let i = 1; i < count; i += 1) {
    const reach = spacing(order[i - 1]!, order[i]!, count);
    for (let j = i + 1; j < count; j += 1) {
      if (spacing(order[i - 1]!, order[j]!, count) > reach) return false;
    }
  }
  return true;
}

const spreads = (order: readonly number[], count: number): number[] =>
  order.map((_, i) => unevenness(order.slice(0, i + 1), count));

const lexicographic = (a: readonly number[], b: readonly number[]): number => {
  const i = a.findIndex((value, j) => value !== b[j]);
  return i < 0 ? 0 : (a[i] ?? 0) - (b[i] ?? 0);
};

describe('the star', () => {
  test.each([3, 4, 5, 6, 7, 8, 9, 10])(
    'of %i nuts is the best of all orders, found by exhaustive search',
    (count) => {
      let best: { order: readonly number[]; spread: number[] } | null = null;
      let candidates = 0;
      everyOrder(count, (order) => {
        if (!goesFar(order, count)) return;
        candidates += 1;
        const spread = spreads(order, count);
        // Ties by the lower number: the search goes upwards, so the first of equals stays.
        if (!best || lexicographic(spread, best.spread) < 0) best = { order: [...order], spread };
      });
      expect(candidates).toBeGreaterThan(0);
      expect(best).toMatchObject({ order: starOrder(count) });
    },
  );

  test('an order that is no star is told from one', () => {
    expect(goesFar([0, 1, 2, 3, 4], 5)).toBe(false);
    expect(goesFar(starOrder(5), 5)).toBe(true);
  });

  test('five nuts: 1, 3, 5, 2, 4', () => {
    expect(starOrder(5).map((nut) => nut + 1)).toEqual([1, 3, 5, 2, 4]);
  });

  test('every stage pulls every nut once', () => {
    const pulls = pullsOf(6, 3);
    expect(pulls.length).toBe(18);
    for (const stage of [0, 1, 2]) {
      const nuts = pulls.filter((pull) => pull.stage === stage).map(({ nut }) => nut);
      expect([...nuts].sort()).toEqual([0, 1, 2, 3, 4, 5]);
    }
  });

  test.each([2, 11, 4.5])('no wheel has %d nuts', (count) => {
    expect(() => starOrder(count)).toThrow(RangeError);
  });
});

describe('figures that are challenged', () => {
  const typed = (text: string): TypedTorque => {
    const parsed = parseTorque(text, 'N·m');
    if (!parsed.ok) throw new Error(parsed.message);
    return parsed.torque;
  };
  const nuts = fastenerOf('wheel-nuts')!;

  test('a usual figure is not', () => {
    expect(challengeTorque(nuts, typed('120'))).toBeNull();
    expect(challengeTorque(nuts, typed('88 lb ft'))).toBeNull();
  });

  test.each([
    ['12', /lb·ft|kgf·m|decimal point/],
    ['1200', /decimal point/],
    ['12,2', /is the unit kgf·m\?/],
  ])('%s N·m on wheel nuts is', (text, says) => {
    expect(challengeTorque(nuts, typed(text))).toMatch(says);
  });

  test('a figure off by a unit’s factor from the one on file is, though it is usual', () => {
    const known = toNewtonMetres(120, 'N·m');
    expect(challengeTorque(nuts, typed('88.5'), [known])).toMatch(/lb·ft and N·m mixed up/);
    expect(challengeTorque(nuts, typed('118'), [known])).toBeNull();
  });

  test.each([
    ['M12x1.5', 12],
    ['m 14 x 1,5', 14],
    ['M12', 12],
    ['1/2-20', 12.7],
    ['9/16"', 14.2875],
    ['14', null],
    ['M40x2', null],
  ])('the thread %s is %s mm across', (text, diameter) => {
    if (diameter === null) expect(threadDiameter(text)).toBeNull();
    else expect(threadDiameter(text)).toBeCloseTo(diameter, 6);
  });

  test('wheel nuts are held against what is usual for their thread, where it is known', () => {
    const nuts = fastenerOf('wheel-nuts')!;
    const torque: TypedTorque = { value: 170, unit: 'N·m', text: '170' };
    expect(challengeTorque(nuts, torque)).toBeNull();
    expect(challengeTorque(fastenerOfThread(nuts, 'M12x1.5'), torque)).toMatch(
      /far from what wheel nuts of m12x1.5 take \(usual is 75 to 135 N·m\)/,
    );
    expect(challengeTorque(fastenerOfThread(nuts, 'M14x1.5'), torque)).toBeNull();
    expect(fastenerOfThread(nuts, null)).toBe(nuts);
    const screw = fastenerOf('rotor-screw')!;
    expect(fastenerOfThread(screw, 'M12')).toBe(screw);
  });

  // 2026-11-29: a caliper held by press-in pins could not be signed without a torque for pin bolts.
  test('press-in pins take no figure', () => {
    const pins = FASTENERS.find(({ code }) => code === 'pin-bolts')!;
    const isOn = (...traits: string[]): boolean =>
      fits({ traits: new Set(traits), rules: [] }, pins.when);
    expect([isOn('floating'), isOn('floating', 'press-pins'), isOn('fixed')]).toEqual([
      true,
      false,
      false,
    ]);
  });
  test('every fastener has a range, its own code, and a sentence', () => {
    expect(FASTENERS.length).toBeGreaterThan(5);
    expect(new Set(FASTENERS.map(({ code }) => code)).size).toBe(FASTENERS.length);
    for (const { usual, say } of FASTENERS) {
      expect(usual[0]).toBeLessThan(usual[1] as number);
      expect(say.length).toBeGreaterThan(10);
    }
  });

  test('what the wrench was set to is held against the figure', () => {
    expect(pulledAmiss(120, 120)).toBeNull();
    expect(pulledAmiss(125, 120)).toBeNull();
    expect(pulledAmiss(88.5, 120)).toMatch(/26 % under the figure: lb·ft and N·m mixed up\?/);
    expect(pulledAmiss(140, 120)).toBe('17 % over the figure.');
  });
});
