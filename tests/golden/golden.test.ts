import { findSolver } from '@/core/contracts';
import { expectAngle, expectLength, readCases } from './cases';

interface Order {
  order: number;
  amplitude: number;
  highSpotDeg: number;
  uAmplitude: number;
  clear: boolean;
}
interface Verdict {
  state: string;
  value: number;
  guardBand: number;
  lapsToSettle: number | null;
}

function solved<Result>(name: string, input: unknown): Result {
  const answer = findSolver(name)?.run(input);
  if (!answer?.ok) throw new Error(JSON.stringify(answer));
  return answer.result as Result;
}

function expectOrders(actual: readonly Order[], expected: readonly Partial<Order>[]): void {
  expect(actual.map(({ order }) => order)).toEqual(expected.map(({ order }) => order));
  expected.forEach((wanted, i) => {
    const got = actual[i]!;
    expectLength(got.amplitude, wanted.amplitude!);
    // The direction of a vanishing wave is noise of the arithmetic.
    if (wanted.amplitude! > 1e-3)
      expectAngle(got.highSpotDeg, wanted.highSpotDeg!, 360 / got.order);
    if (wanted.uAmplitude !== undefined) expectLength(got.uAmplitude, wanted.uAmplitude);
    if (wanted.clear !== undefined) expect(got.clear).toBe(wanted.clear);
  });
}

describe('runout agrees with the worked cases', () => {
  interface Expected {
    value: number;
    tirAsRead: number;
    tirFitted: number;
    sigma: number;
    repeatability: number | null;
    high: number;
    low: number;
    orders: Order[];
    closure: { errors: number[]; ok: boolean } | null;
    state: string;
    guardBand: number;
    lapsToSettle: number | null;
  }
  interface Result {
    tirAsRead: number;
    tirFitted: number;
    sigma: number;
    repeatability: number | null;
    high: { position: number };
    low: { position: number };
    orders: Order[];
    closure: { errors: number[]; ok: boolean } | null;
    verdict: Verdict;
  }
  test.each(readCases<Expected>('runout').map((c, i) => [i + 1, c] as const))(
    'case %i',
    (_, { case: input, expected }) => {
      const result = solved<Result>('runout', input);
      expectLength(result.tirAsRead, expected.tirAsRead);
      expectLength(result.tirFitted, expected.tirFitted);
      expectLength(result.sigma, expected.sigma);
      expect(result.repeatability === null).toBe(expected.repeatability === null);
      expectLength(result.repeatability ?? 0, expected.repeatability ?? 0);
      expect(result.high.position).toBe(expected.high);
      expect(result.low.position).toBe(expected.low);
      expectOrders(result.orders, expected.orders);
      expect(result.closure?.ok ?? null).toBe(expected.closure?.ok ?? null);
      expected.closure?.errors.forEach((error, i) =>
        expectLength(result.closure!.errors[i]!, error),
      );
      expect(result.verdict.state).toBe(expected.state);
      expectLength(result.verdict.value, expected.value);
      expectLength(result.verdict.guardBand, expected.guardBand);
      expect(result.verdict.lapsToSettle).toBe(expected.lapsToSettle);
    },
  );
});

describe('thickness agrees with the worked cases', () => {
  interface Expected {
    min: number;
    max: number;
    dtv: number;
    thin: number;
    thick: number;
    taper: number | null;
    taperState: string;
    temperatureCorrection: number;
    machineTo: number;
    orders: Order[];
    dtvState: string;
    discardState: string;
    machineToState: string;
  }
  interface Result {
    min: number;
    max: number;
    dtv: number;
    thin: { position: number };
    thick: { position: number };
    taper: number | null;
    temperatureCorrection: number;
    machineTo: number;
    orders: Order[];
    verdicts: Record<'dtv' | 'discard' | 'machineTo' | 'taper', Verdict>;
  }
  test.each(readCases<Expected>('thickness').map((c, i) => [i + 1, c] as const))(
    'case %i',
    (_, { case: input, expected }) => {
      const result = solved<Result>('thickness', input);
      for (const key of ['min', 'max', 'dtv', 'temperatureCorrection', 'machineTo'] as const) {
        expectLength(result[key], expected[key]);
      }
      expect(result.thin.position).toBe(expected.thin);
      expect(result.thick.position).toBe(expected.thick);
      expect(result.taper === null).toBe(expected.taper === null);
      expectLength(result.taper ?? 0, expected.taper ?? 0);
      expectOrders(result.orders, expected.orders);
      expect(result.verdicts.dtv.state).toBe(expected.dtvState);
      expect(result.verdicts.discard.state).toBe(expected.discardState);
      expect(result.verdicts.machineTo.state).toBe(expected.machineToState);
      expect(result.verdicts.taper.state).toBe(expected.taperState);
    },
  );
});

describe('index agrees with the worked cases', () => {
  type Part = [number, number];
  interface Expected {
    separation: Record<string, { separable: boolean; hub: Part; rotor: Part }>;
    predictions: [number, number][];
    best: [number, number];
  }
  interface ResultPart {
    amplitude: number;
    highSpotDeg: number;
  }
  interface Result {
    separation: { order: number; separable: boolean; hub: ResultPart; rotor: ResultPart }[];
    predictions: { shift: number; tir: number; low: number; high: number }[];
    best: { shift: number; tir: number };
  }
  const expectPart = (order: number, actual: ResultPart, [amplitude, angle]: Part): void => {
    expectLength(actual.amplitude, amplitude);
    if (amplitude > 1e-3) expectAngle(actual.highSpotDeg, angle, 360 / order);
  };
  test.each(readCases<Expected>('index').map((c, i) => [i + 1, c] as const))(
    'case %i',
    (_, { case: input, expected }) => {
      const result = solved<Result>('index', input);
      expect(result.separation.map(({ order }) => String(order))).toEqual(
        Object.keys(expected.separation),
      );
      for (const { order, separable, hub, rotor } of result.separation) {
        const wanted = expected.separation[order]!;
        expect(separable).toBe(wanted.separable);
        expectPart(order, hub, wanted.hub);
        expectPart(order, rotor, wanted.rotor);
      }
      expect(result.predictions.map(({ shift }) => shift)).toEqual(
        expected.predictions.map(([shift]) => shift),
      );
      result.predictions.forEach(({ tir, low, high }, i) => {
        expectLength(tir, expected.predictions[i]![1]);
        expect(low).toBeLessThanOrEqual(tir);
        expect(high).toBeGreaterThanOrEqual(tir);
      });
      expect(result.best.shift).toBe(expected.best[0]);
      expectLength(result.best.tir, expected.best[1]);
    },
  );
});

describe('machining agrees with the worked cases', () => {
  interface Expected {
    finishedThickness: number;
    range: [number, number];
    depthOutboard: number;
    depthInboard: number;
    budget: number;
    remainingRunout: number | null;
    state: string;
    equalFinished: number;
    equalDepth: number;
  }
  interface Result extends Omit<Expected, 'range'> {
    finishedThicknessRange: [number, number];
    verdict: Verdict;
    equalCutsAlternative: { finishedThickness: number; depth: number };
  }
  test.each(readCases<Expected>('machining').map((c, i) => [i + 1, c] as const))(
    'case %i',
    (_, { case: input, expected }) => {
      const result = solved<Result>('machining', input);
      for (const key of ['finishedThickness', 'depthOutboard', 'depthInboard', 'budget'] as const) {
        expectLength(result[key], expected[key]);
      }
      expectLength(result.finishedThicknessRange[0], expected.range[0]);
      expectLength(result.finishedThicknessRange[1], expected.range[1]);
      expect(result.remainingRunout === null).toBe(expected.remainingRunout === null);
      expectLength(result.remainingRunout ?? 0, expected.remainingRunout ?? 0);
      expect(result.verdict.state).toBe(expected.state);
      expectLength(result.equalCutsAlternative.finishedThickness, expected.equalFinished);
      expectLength(result.equalCutsAlternative.depth, expected.equalDepth);
    },
  );
});

describe('plate agrees with the worked cases', () => {
  interface Plate {
    correction: number;
    thickAtStud: number;
    shift: number;
    tir: number;
  }
  interface Expected {
    indexTir: number;
    plate: Plate | null;
  }
  interface Result {
    best: { tir: number };
    plate: (Plate & { low: number; high: number; probabilityWithin: number }) | null;
  }
  test.each(readCases<Expected>('plate').map((c, i) => [i + 1, c] as const))(
    'case %i',
    (_, { case: input, expected }) => {
      const { best, plate } = solved<Result>('plate', input);
      expectLength(best.tir, expected.indexTir);
      expect(plate === null).toBe(expected.plate === null);
      if (!plate || !expected.plate) return;
      expectLength(plate.correction, expected.plate.correction);
      expect(plate.thickAtStud).toBe(expected.plate.thickAtStud);
      expect(plate.shift).toBe(expected.plate.shift);
      expectLength(plate.tir, expected.plate.tir);
      expect(plate.low).toBeLessThanOrEqual(plate.tir);
      expect(plate.high).toBeGreaterThanOrEqual(plate.tir);
    },
  );
});
