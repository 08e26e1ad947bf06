import { drawFace, sweepOnce, trueRunout, type Face, type VirtualCorner } from '../bench';
import { waveAt } from '../harmonics';
import { seededRandom } from '../numeric';
import { evenAngles } from '../readings';
import { assessCorner, measuredSet, sweptReadings, type CornerRecord, type RawSet } from '.';

const STUDS = 5;
const gauge = { resolution: 1, repeatability: 1 };
const corner: VirtualCorner = {
  studs: STUDS,
  hub: [{ order: 1, amplitude: 18, highSpotDeg: 40 }],
  rotor: [
    { order: 1, amplitude: 20, highSpotDeg: 60 },
    { order: 2, amplitude: 2, highSpotDeg: 20 },
  ],
  meanThickness: 26_000,
  thickness: [{ order: 1, amplitude: 2, highSpotDeg: 0 }],
};

/** The face as it turns in a seat, every half degree. */
const faceIn = (shift: number): Face =>
  Float64Array.from({ length: 720 }, (_, j) =>
    waveAt(trueRunout(corner, shift), (j * Math.PI) / 360),
  );

const common = {
  kind: 'runout',
  face: 'outboard',
  laps: 1,
  mpeUm: null,
  zeroErrorUm: null,
  rotorCelsius: null,
  endPlayUm: null,
  radiusUm: null,
  torqueNm: 120,
  resolutionUm: 1,
  repeatabilityUm: 1,
} as const;

function swept(shift: number, seed: number, face = faceIn(shift)): RawSet {
  const study = { gauge, limit: 50, rate: 20, seconds: 15, studs: STUDS, most: 1 };
  const sweeps = [{ ...sweepOnce(face, study, seededRandom(seed)), unit: 'mm' as const }];
  return { ...common, shift, positions: 240, sweeps, readings: sweptReadings(sweeps, 240) };
}

function byPlaces(shift: number, seed: number, n = 12): RawSet {
  const random = seededRandom(seed);
  const face = faceIn(shift);
  const at = [...evenAngles(n), 0].map((angle) => face[Math.round(2 * angle) % 720]!);
  const readings = at.map((value, position) => ({
    ...{ lap: 0, position },
    valueUm: Math.round(value + random.normal()),
  }));
  return { ...common, shift, positions: n, readings };
}

const recordOf = (...sets: readonly RawSet[]): CornerRecord => ({
  corner: 'FL',
  fastening: 'studs',
  studs: STUDS,
  allowedShifts: null,
  limits: {},
  sets: sets.map((set) => measuredSet(set)!),
});

test('two seats that were swept tell hub from rotor, and where it goes', () => {
  const { index, runout } = assessCorner(recordOf(swept(0, 1), swept(2, 2)));
  const first = index?.separation.find(({ order }) => order === 1);
  expect(first?.separable).toBe(true);
  expect(Math.abs(first!.hub.amplitude - 18)).toBeLessThan(1);
  expect(Math.abs(first!.rotor.amplitude - 20)).toBeLessThan(1);
  expect(runout?.swept).not.toBeNull();
  expect(index?.predictions.find(({ measured, shift }) => measured && shift === 2)).toBeTruthy();
});

test('a seat that was swept and one read place by place are solved together', () => {
  for (const record of [
    recordOf(byPlaces(0, 3), swept(2, 4)),
    recordOf(swept(0, 5), byPlaces(2, 6)),
  ]) {
    const { index } = assessCorner(record);
    const first = index?.separation.find(({ order }) => order === 1);
    expect(first?.separable).toBe(true);
    expect(Math.abs(first!.hub.amplitude - 18)).toBeLessThan(2);
  }
});

test('a seat that reads as another is told, whichever way it was read', () => {
  // Said to sit two studs on, it was never moved.
  const { seatDoubt } = assessCorner(recordOf(swept(0, 7), swept(2, 8, faceIn(0))));
  expect(seatDoubt).toMatchObject({ stated: 2, readsAs: 0, set: 1 });
  const mixed = assessCorner(recordOf(byPlaces(0, 9), swept(2, 10, faceIn(0))));
  expect(mixed.seatDoubt).toMatchObject({ stated: 2, set: 1 });
});

test('how it was turned is told with the verdict', () => {
  const even = swept(0, 11);
  const [sweep] = even.sweeps!;
  const ends = [{ ...sweep!, marks: [sweep!.marks[0]!, sweep!.marks.at(-1)!] }];
  const set = { ...even, sweeps: ends, readings: sweptReadings(ends, 240) };
  const codes = (raw: RawSet): string[] =>
    assessCorner(recordOf(raw)).runout!.verdict.reasons.map(({ code }) => code);
  expect(codes(set)).toContain('sweep-by-ends');
  expect(codes(even)).not.toContain('sweep-by-ends');
  expect(codes(even)).not.toContain('not-closed');
});

test('a cut on the vehicle is planned from what was swept', () => {
  const thickness: RawSet = {
    ...common,
    ...{ kind: 'thickness', shift: 0, positions: 8, mpeUm: 2 },
    readings: Array.from({ length: 8 }, (_, position) => ({ lap: 0, position, valueUm: 26_000 })),
  };
  const limits = {
    discard: { value: 24_000, source: 'stamped' },
    runout: { value: 50, source: 'maker' },
  } as const;
  const { machining } = assessCorner({ ...recordOf(swept(0, 12), thickness), limits });
  const depth = machining!.onVehicle!.depthOutboard;
  const swing = Math.max(...faceIn(0)) - Math.min(...faceIn(0));
  expect(Math.abs(depth - (swing + 30))).toBeLessThan(6);
});

test('a rough face is beyond by its sweep where twelve of its places are within', () => {
  const random = seededRandom(5);
  const faces = Array.from({ length: 12 }, () => drawFace('rough', 56, random));
  const states = faces.map(
    (face, i) => assessCorner(recordOf(swept(0, 20 + i, face))).runout!.verdict.state,
  );
  expect(states.filter((state) => state === 'within')).toEqual([]);
  expect(states.filter((state) => state === 'beyond').length).toBeGreaterThanOrEqual(9);
});
