import { WORKSHOP_DEFAULTS } from '../verdict';
import { waveOnGrid } from '../harmonics';
import { comesBack, drivenOn, FORWARD, wornIn } from './forward';
import { trueRunout, type VirtualCorner } from './virtualCorner';

const LIMITS = { variation: WORKSHOP_DEFAULTS.thicknessVariation, discard: 26_000 };

/** A rotor of even thickness that runs out by so much, in µm, on a hub that is true. */
const rotor = (tir: number, meanThickness = 27_500): VirtualCorner => ({
  ...{ studs: 5, hub: [], meanThickness, thickness: [] },
  rotor: [{ order: 1, amplitude: tir / 2, highSpotDeg: 70 }],
});

describe('a rotor that is driven on', () => {
  test('is what it was at no distance, and wears evenly where it runs true', () => {
    expect(drivenOn(rotor(0), 0, 0)).toEqual({ km: 0, variation: 0, least: 27_500 });
    const far = drivenOn(rotor(0), 0, 10_000);
    expect(far.least).toBeCloseTo(27_500 - FORWARD.evenWear, 9);
    expect(far.variation).toBeCloseTo(0, 9);
  });

  test('never varies by more than reaches a pad, and by more the further it is driven', () => {
    const reaches = 60 - FORWARD.standOff;
    let before = -1;
    for (const km of [0, 500, 2000, 8000, 40_000]) {
      const { variation } = drivenOn(rotor(120), 0, km);
      expect(variation).toBeGreaterThan(before);
      expect(variation).toBeLessThan(reaches);
      before = variation;
    }
    expect(drivenOn(rotor(120), 0, 1e6).variation).toBeCloseTo(reaches, 6);
  });

  test('within its runout limit it never comes to its limit of variation', () => {
    const { runout } = WORKSHOP_DEFAULTS;
    expect(drivenOn(rotor(runout), 0, 1e6).variation).toBeLessThanOrEqual(LIMITS.variation);
    expect(comesBack(rotor(runout), 0, LIMITS)).toBeNull();
  });

  test('far beyond it comes back after some thousand kilometres, the sooner the more', () => {
    const back = [80, 100, 150, 250].map((tir) => comesBack(rotor(tir), 0, LIMITS));
    expect(back.map((each) => each?.why)).toEqual(Array(4).fill('variation'));
    const distances = back.map((each) => each!.km);
    expect(distances).toEqual([...distances].sort((p, q) => q - p));
    expect(distances[1]).toBeGreaterThanOrEqual(2000);
    expect(distances[1]).toBeLessThanOrEqual(8000);
  });

  test('the seat decides: hub and rotor against each other', () => {
    const hub = [{ order: 1, amplitude: 50, highSpotDeg: 70 }];
    const against = [{ order: 1, amplitude: 50, highSpotDeg: 250 }];
    const corner = { ...rotor(0), hub, rotor: against };
    expect(comesBack(corner, 0, LIMITS)).toBeNull();
    expect(comesBack(corner, 2, LIMITS)?.why).toBe('variation');
  });

  test('cut to the edge it is below discard after a few thousand kilometres', () => {
    expect(comesBack(rotor(10, 26_040), 0, LIMITS)).toMatchObject({ why: 'discard', km: 4500 });
    expect(comesBack(rotor(10, 25_900), 0, LIMITS)).toMatchObject({ why: 'discard', km: 0 });
  });
});

test('what a face wears in is the way back from driving it on, and nothing where it does not come out', () => {
  const corner = rotor(80);
  const face = waveOnGrid(trueRunout(corner, 0));
  const worn = wornIn(face, 12)!;
  expect(drivenOn(corner, 0, worn.km).variation).toBeCloseTo(12, 6);
  expect(Math.max(...worn.thickness) - Math.min(...worn.thickness)).toBeCloseTo(12, 6);
  // It reaches the pads by 25 µm: no distance wears more into it.
  expect(wornIn(face, 25)).toBeNull();
  expect(wornIn([10, -10], 5)).toBeNull();
});
