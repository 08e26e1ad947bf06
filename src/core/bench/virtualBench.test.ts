import { seededRandom } from '../numeric';
import { assessCorner, type MeasuredSet } from '../assessment';
import {
  dialShows,
  endPlayShows,
  hubFaceBench,
  micrometerShows,
  practiceCorner,
  preparedBench,
  PRACTICE_FAULTS,
  seedOf,
  shownText,
  VirtualPort,
  type VirtualBench,
} from '.';

const gauge = { resolution: 1, repeatability: 0 };
const corner = {
  studs: 5,
  hub: [],
  rotor: [{ order: 1, amplitude: 20, highSpotDeg: 90 }],
  meanThickness: 27_000,
  thickness: [{ order: 1, amplitude: 4, highSpotDeg: 0 }],
};
const at = (turn: number) => ({ shift: 0, turn, gauge });
const dial = (bench: VirtualBench, turn: number, face: 'outboard' | 'inboard' = 'outboard') =>
  dialShows(bench, { ...at(turn), face }, seededRandom(1));

test('the dial is zeroed at the chalk mark and follows the face', () => {
  const bench = { corner, faults: {} };
  expect([0, 90, 270, 360].map((turn) => dial(bench, turn))).toEqual([0, 20, -20, 0]);
});

test('on the inboard face it reads positive when pushed, the thickness included', () => {
  const bench = { corner, faults: {} };
  // At 90° the face runs 20 outboard and the rotor is 4 thinner than at the mark.
  expect(dial(bench, 90, 'inboard')).toBe(-24);
});

test('on the other face signs turn; a slot is a hole at its place only; a lip reads thicker', () => {
  const wrong = { corner, faults: { isOtherFace: true } };
  expect(dial(wrong, 90)).toBe(-24);
  expect(dial(wrong, 90, 'inboard')).toBe(20);
  const slotted = { corner, faults: { slot: { at: 180, depth: 70 } } };
  expect([90, 174, 180, 190, 540].map((turn) => dial(slotted, turn))).toEqual([
    20, -68, -70, -3, -70,
  ]);
  const lip = { corner, faults: { lip: 140 } };
  expect(micrometerShows(lip, at(90), seededRandom(1))).toBe(27_140);
});

test('a loose base creeps on with every turn; dirt tilts its own mounting only', () => {
  const loose = { corner, faults: { looseBase: 30 } };
  expect([360, 720].map((turn) => dial(loose, turn))).toEqual([30, 60]);
  const dirty = { corner, faults: { dirt: { shift: 0, amplitude: 10, at: 0 } } };
  expect(dial(dirty, 180)).toBe(-20);
  const moved = { corner, faults: { dirt: { shift: 2, amplitude: 10, at: 0 } } };
  expect(dial(moved, 180)).toBe(0);
});

test('the micrometer grows with heat and shows its zero error', () => {
  const shows = (faults: VirtualBench['faults']) =>
    micrometerShows({ corner, faults }, at(0), seededRandom(1));
  expect(shows({})).toBe(27_004);
  expect(shows({ zeroError: 40 })).toBe(27_044);
  expect(shows({ celsius: 120 })).toBe(27_033);
});

test('push and pull shows the play', () => {
  expect(endPlayShows({ corner, faults: { endPlay: 60 } }, gauge, seededRandom(2))).toBe(60);
});

test('the same name stands for the same rotor, another for another', () => {
  const named = (name: string) => practiceCorner(seedOf(name), 5, 28_000);
  expect(named('a')).toEqual(named('a'));
  expect(named('a')).not.toEqual(named('b'));
  expect(named('a').meanThickness).toBeLessThan(28_000);
  expect(Object.keys(PRACTICE_FAULTS)).toContain('none');
});

test('behind the port of any gauge, a turn of the wheel makes it show', async () => {
  const heard: string[] = [];
  const sight = { shift: 0, face: 'outboard', kind: 'dial', gauge, unit: 'mm' } as const;
  const port = new VirtualPort({ corner, faults: {} }, sight, 3);
  port.turnTo(90);
  await port.open((event) => heard.push(event.type === 'shows' ? event.reading.text : event.type));
  port.turnTo(90);
  await port.close();
  port.turnTo(90);
  expect(heard).toEqual(['0.020']);
  expect([shownText(-0.2, 'mm'), shownText(25.4, 'in')]).toEqual(['0.000', '0.00100']);
});

describe('the hub’s face, read with the rotor off', () => {
  const LEVER = 135_000 / 70_000;
  const whole: VirtualBench = {
    corner: {
      ...corner,
      hub: [
        { order: 1, amplitude: 24, highSpotDeg: 60 },
        { order: 5, amplitude: 6, highSpotDeg: 0 },
      ],
    },
    faults: { dirt: { shift: 0, amplitude: 25, at: 120 }, endPlay: 0 },
  };
  const lapOf = (bench: VirtualBench): number[] =>
    Array.from({ length: 12 }, (_, j) => dial(bench, 30 * j));

  test('is the hub alone, on its smaller circle', () => {
    const turned = (bench: VirtualBench, turn: number): number =>
      dialShows(
        bench,
        { ...at(turn), gauge: { ...gauge, resolution: 0.001 }, face: 'outboard' },
        seededRandom(1),
      );
    const swing = Math.max(...[60, 240].map((turn) => turned(hubFaceBench(whole, LEVER), turn)));
    const low = Math.min(...[60, 240].map((turn) => turned(hubFaceBench(whole, LEVER), turn)));
    expect(swing - low).toBeCloseTo((2 * 24) / LEVER, 2);
  });

  test('tells hub from rotor as the solver takes it', () => {
    const read = { gauge: { resolution: 1, repeatability: 1 }, shift: 0 };
    const clean = preparedBench(whole, { isClean: true, isEven: false });
    const sets: MeasuredSet[] = [
      { kind: 'runout', face: 'outboard', ...read, laps: [lapOf(clean)] },
      { kind: 'hub', ...read, radius: 70_000, laps: [lapOf(hubFaceBench(clean, LEVER))] },
    ];
    const known = (value: number) => ({ value, source: 'maker' as const });
    const { index } = assessCorner({
      ...{ corner: 'FL', fastening: 'studs', studs: 5, allowedShifts: null, sets },
      limits: { runout: known(50), radius: known(135_000) },
    });
    const [first] = index!.separation;
    expect(Math.abs(first!.hub.amplitude - 24)).toBeLessThan(3);
    expect(Math.abs(first!.rotor.amplitude - 20)).toBeLessThan(3);
  });
});

test('a seat that is cleaned and nuts that are drawn up evenly tilt no more; nuts that were not at fault pull as they did', () => {
  const pulled = { ...corner, hub: [{ order: 5, amplitude: 8, highSpotDeg: 0 }] };
  const dirt = { shift: 0, amplitude: 25, at: 120 };
  const nuts = { amplitude: 30, at: 40 };
  const bench = { corner: pulled, faults: { dirt, nuts, celsius: 60 } };
  const by = (isClean: boolean, isEven: boolean) => preparedBench(bench, { isClean, isEven });
  expect(by(false, false)).toEqual(bench);
  expect(by(true, false)).toEqual({ corner: pulled, faults: { nuts, celsius: 60 } });
  expect(by(true, true)).toEqual({ corner: { ...pulled, hub: [] }, faults: { celsius: 60 } });
  const sound = { corner: pulled, faults: {} };
  expect(preparedBench(sound, { isClean: true, isEven: true })).toEqual(sound);
});
