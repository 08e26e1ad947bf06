import { LIMITS, known } from '../../../tests/support/corners';
import { readDial, readMicrometer, type VirtualCorner } from '../bench';
import { seededRandom } from '../numeric';
import { advise, assessCorner, sayAdvice, type CornerRecord, type MeasuredSet } from '.';

const fine = { resolution: 0.1, repeatability: 0.1 };
const gauge = { resolution: 1, repeatability: 1 };

/** Hub and rotor add up in seat 0 and cancel at half a turn; its thickness has a thin place. */
const truth = (studs: number): VirtualCorner => ({
  studs,
  hub: [{ order: 1, amplitude: 30, highSpotDeg: 0 }],
  rotor: [{ order: 1, amplitude: 32, highSpotDeg: 10 }],
  meanThickness: 27_400,
  thickness: [
    { order: 1, amplitude: 14, highSpotDeg: 200 },
    { order: 2, amplitude: 4, highSpotDeg: 20 },
  ],
});

const runout = (
  corner: VirtualCorner,
  at: number,
  shift = at,
  dial = gauge,
  seed = 3 + at,
): MeasuredSet => ({
  ...{ kind: 'runout', face: 'outboard', gauge: dial, shift },
  ...readDial(corner, { shift: at, positions: 12, laps: 1, gauge: dial }, seededRandom(seed)),
});
const thickness = (corner: VirtualCorner, shift: number, micrometer = gauge): MeasuredSet => ({
  ...{ kind: 'thickness', gauge: micrometer, shift },
  laps: readMicrometer(
    corner,
    { shift, positions: 12, laps: 1, gauge: micrometer },
    seededRandom(9),
  ),
});
const record = (
  corner: VirtualCorner,
  sets: readonly MeasuredSet[],
  more: Partial<CornerRecord> = {},
): CornerRecord => ({
  ...{ corner: 'FL', fastening: 'studs', studs: corner.studs, allowedShifts: null },
  ...{ limits: { ...LIMITS, discard: known(26_000) }, sets },
  ...more,
});

describe('a cut on the vehicle is planned from the seat in which the rotor sits', () => {
  for (const studs of [4, 5, 6]) {
    test(`of ${studs} studs: laps of a seat that is no more plan nothing`, () => {
      const own = truth(studs);
      const to = Math.floor(studs / 2);
      const moved = record(own, [
        ...[runout(own, 0, 0, fine), thickness(own, 0, fine), runout(own, to, to, fine)],
      ]);
      const there = record(own, [runout(own, to, to, fine), thickness(own, to, fine)]);
      const [planned, wanted] = [moved, there].map(
        (each) => assessCorner(each).machining?.onVehicle,
      );
      expect(planned?.depthOutboard).toBeCloseTo(wanted!.depthOutboard, 0);
      expect(planned?.depthInboard).toBeCloseTo(wanted!.depthInboard, 0);
      const old = assessCorner(record(own, moved.sets.slice(0, 2))).machining?.onVehicle;
      expect(old!.depthOutboard).toBeGreaterThan(2 * planned!.depthOutboard);
    });
  }

  test('of a seat in which nothing was read there is no plan; the bench has one', () => {
    const own = truth(5);
    const sets = [runout(own, 0), thickness(own, 0)];
    const { machining } = assessCorner(record(own, sets, { seat: 3 }));
    expect(machining?.onVehicle).toBeNull();
    expect(machining?.bench.finishedThickness).toBeGreaterThan(27_000);
  });
});

describe('a set that reads otherwise than its seat is challenged before it counts', () => {
  const own = truth(5);

  test('said to be moved, and reading as it did before', () => {
    const sets = [runout(own, 0), thickness(own, 0), runout(own, 0, 2, gauge, 8)];
    const asked = record(own, sets);
    expect(assessCorner(asked).seatDoubt).toEqual({ stated: 2, readsAs: 0, set: 2 });
    const advice = advise(asked, assessCorner(asked));
    expect(advice).toEqual({ kind: 'which-seat', stated: 2, readsAs: 0 });
    expect(sayAdvice(advice, { ...asked, units: 'mm' }).why).toBe(
      'Said: 2 studs clockwise of its first mark as you face it. It reads as it did as first marked. Look at the mark; the set counts once that is settled.',
    );
    const said = record(
      own,
      sets.map((set, i) => (i === 2 && set.kind === 'runout' ? { ...set, isSeatSaid: true } : set)),
    );
    expect(assessCorner(said).seatDoubt).toBeNull();
  });

  test('moved the wrong way round, it is known by what the mountings before predict', () => {
    const sets = [runout(own, 0), thickness(own, 0), runout(own, 2), runout(own, 4, 1)];
    expect(assessCorner(record(own, sets)).seatDoubt).toMatchObject({ stated: 1, readsAs: 4 });
  });

  test('in a known seat, but like none: dirt under it', () => {
    const dirty = { ...own, hub: [...own.hub, { order: 1, amplitude: 25, highSpotDeg: 130 }] };
    const sets = [runout(own, 0), thickness(own, 0), runout(own, 2), runout(dirty, 1)];
    expect(assessCorner(record(own, sets)).seatDoubt).toMatchObject({ stated: 1, readsAs: null });
  });

  test('the two faces of a rotor are not held against each other', () => {
    const inboard = { ...runout(own, 2, 0), face: 'inboard' } as MeasuredSet;
    expect(assessCorner(record(own, [runout(own, 0), inboard])).seatDoubt).toBeNull();
  });

  test('mountings that were read where they are said to be are asked about in few of a hundred', () => {
    const asked = Array.from({ length: 200 }, (_, seed) => {
      const sets = [0, 2, 4].map((at) => runout(own, at, at, gauge, 100 * at + seed));
      return assessCorner(record(own, sets), 10).seatDoubt !== null;
    }).filter(Boolean).length;
    expect(asked).toBeLessThanOrEqual(6);
  });
});
