import type { RoadTestAnalysis } from '@/core/roadtest';
import {
  canBeMapped,
  factorsOf,
  figureIn,
  frequencyTable,
  spectrumLines,
  speedLines,
  turningOf,
} from './model';

const spectrum = { step: 0.25, amplitude: [9, 9, 0.1, 0.2, 0.6, 0.1] };
const ANALYSIS: RoadTestAnalysis = {
  samples: 10,
  rate: 100,
  gaps: 0,
  windows: [],
  axes: [],
  strongest: { axis: 'y', order: 1, amplitude: 0.6 },
  brakingToCoasting: null,
  peakSpeed: null,
  reading: '',
  spectra: [
    { axis: 'x', braking: null, coasting: null },
    { axis: 'y', braking: spectrum, coasting: null },
  ],
  bySpeed: [
    { speed: 10, kind: 'coasting', amplitude: 0.1 },
    { speed: 20, kind: 'braking', amplitude: 0.5 },
  ],
};

test('the table gives rates by speed, with the propshaft where it is known', () => {
  expect(turningOf(null)).toHaveLength(3);
  const turning = turningOf(4);
  const [first] = frequencyTable(2 / Math.PI, turning, 'km/h');
  expect(first!.speed).toBe(30);
  [1, 2, 3, 4].forEach((order, i) =>
    expect(first!.hertz[i]).toBeCloseTo((order * 30) / 3.6 / 2, 9),
  );
  expect(frequencyTable(1, turning, 'mph')[0]!.speed).toBe(20);
});

test('the spectrum drawn is that of the axis that shakes, above the slow motions', () => {
  const { axis, lines } = spectrumLines(ANALYSIS);
  expect(axis).toBe('y');
  expect(lines.map(({ name }) => name)).toEqual(['braking']);
  expect(lines[0]!.points[0]).toEqual({ x: 0.5, y: 0.1 });
  expect(spectrumLines({ ...ANALYSIS, strongest: null }).axis).toBe('x');
});

test('amplitude by speed is in the shop\u2019s unit', () => {
  const [braking, coasting] = speedLines(ANALYSIS, 'km/h');
  expect(braking!.points).toEqual([{ x: 72, y: 0.5 }]);
  expect(coasting!.points).toEqual([{ x: 36, y: 0.1 }]);
});

test('figures take a comma and stay in their range; units become factors', () => {
  expect(figureIn('3,73', 1, 8)).toBe(3.73);
  expect(figureIn('', 1, 8)).toBeNull();
  expect(figureIn('80', 1, 8)).toBeNull();
  expect(factorsOf({ axes: 9.8, time: 0.001 })).toEqual({ time: 0.001, x: 9.8, y: 9.8, z: 9.8 });
  expect(factorsOf({ speed: 1 })).toEqual({ speed: 1 });
});

test('only what choosing can mend is asked for', () => {
  expect(canBeMapped('unit')).toBe(true);
  expect(canBeMapped('binary')).toBe(false);
});
