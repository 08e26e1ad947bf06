import { readDial, type VirtualCorner } from '../src/core/bench';
import { fitHarmonics } from '../src/core/harmonics';
import { solveIndex } from '../src/core/indexing';
import { seededRandom } from '../src/core/numeric';
import { everyPlate } from '../src/core/plate';
import { evenAngles, readSweep } from '../src/core/readings';
import { solveRunout } from '../src/core/runout';
import { solveThickness } from '../src/core/thickness';
import { HEAD, timed } from './spread';

const gauge = { resolution: 1, repeatability: 1 };
const corner: VirtualCorner = {
  studs: 8,
  hub: [{ order: 1, amplitude: 28, highSpotDeg: 40 }],
  rotor: [
    { order: 1, amplitude: 30, highSpotDeg: 292 },
    { order: 2, amplitude: 4, highSpotDeg: 30 },
  ],
  meanThickness: 27_000,
  thickness: [],
};
const random = seededRandom(1);
const lap = (shift: number, positions: number) =>
  readDial(corner, { shift, positions, laps: 1, gauge }, random);

console.log(`\nSolvers, Node ${process.version}\n\n${HEAD}`);
const angles = evenAngles(24);
const [values] = lap(0, 24).laps;
timed('one runout fit, n = 24', 0.02, 5000, () => {
  fitHarmonics(angles, values ?? [], 1, { studs: 8 });
});
const closing = { mean: values?.[0] ?? 0, laps: 1, expected: 3 };
timed('one runout fit with drift, n = 24', 0.02, 5000, () => {
  fitHarmonics(angles, values ?? [], 1, { studs: 8, closing });
});
const [swept] = lap(0, 720).laps;
timed('a sweep of 720 places solved whole', 5, 300, () => {
  solveRunout({
    ...{ face: 'outboard', laps: [swept ?? []], closing: [swept?.[0] ?? 0] },
    ...{ studs: 8, gauge, limit: 50, sweep: { readings: 1500 } },
  });
});
const raw = {
  times: Array.from({ length: 1500 }, (_, i) => 20 * i),
  values: Array.from({ length: 1500 }, (_, i) => 20 * Math.cos((2 * Math.PI * i) / 1500)),
  marks: Array.from({ length: 9 }, (_, i) => (30_000 * i) / 8),
};
timed('1,500 readings of a sweep as places', 5, 300, () => {
  readSweep(raw, 8);
});
const turns = [{ high: 40, low: -38 }];
const asRead = { face: 'outboard', laps: [values ?? []], closing: [values?.[0] ?? 0] } as const;
timed(
  'runout solved whole (fit with drift, TIR, outliers, one turn, verdict), n = 24',
  0.15,
  1000,
  () => {
    solveRunout({ ...asRead, studs: 8, gauge, limit: 50, turns });
  },
);
const raster = evenAngles(16).map((angle) => ({
  angle,
  value: 27_000 + 6 * Math.cos((angle * Math.PI) / 180),
}));
const thickness = {
  laps: [raster.filter((_, j) => j % 2 === 0).map(({ value }) => value)],
  extra: raster.filter((_, j) => j % 2 === 1),
  gauge: { resolution: 1, repeatability: 1.5 },
  limits: { discard: 26_000, dtv: 12 },
};
timed('thickness with settling, 16 readings', 0.5, 500, () => {
  solveThickness(thickness);
});
const mounts = [0, 3, 6].map((shift) => ({ shift, ...lap(shift, 12) }));
timed('index solution, 2,000 draws, N = 8, 3 mountings of 12', 9, 200, () => {
  solveIndex({ studs: 8, mounts, gauge, limit: 50 });
});
const ten: VirtualCorner = { ...corner, studs: 10 };
const two = [0, 3].map((shift) => ({
  shift,
  ...readDial(ten, { shift, positions: 24, laps: 1, gauge }, random),
}));
const { orders } = solveIndex({ studs: 10, mounts: two, gauge, limit: 50 });
const plates = { corrections: [40, 60, 80, 120, 150, 180], referenceRadius: 140_000 };
const allowedShifts = Array.from({ length: 10 }, (_, shift) => shift);
timed('plates × studs × shifts, N = 10, 6 plates', 20, 500, () => {
  everyPlate({ orders, studs: 10, allowedShifts, last: 3, plates, rotorRadius: 135_000 });
});
