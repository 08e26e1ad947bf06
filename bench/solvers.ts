import { readDial, type VirtualCorner } from '../src/core/bench';
import { fitHarmonics } from '../src/core/harmonics';
import { solveIndex } from '../src/core/indexing';
import { seededRandom } from '../src/core/numeric';
import { everyPlate } from '../src/core/plate';
import { evenAngles } from '../src/core/readings';
import { solveRunout } from '../src/core/runout';
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
timed('one runout fit, n = 24', 0.1, 5000, () => {
  fitHarmonics(angles, values ?? [], 1, { studs: 8 });
});
timed('runout solved whole (fit, TIR, outliers, verdict), n = 24', 5, 1000, () => {
  solveRunout({ face: 'outboard', laps: [values ?? []], studs: 8, gauge, limit: 50 });
});
const mounts = [0, 3, 6].map((shift) => ({ shift, ...lap(shift, 12) }));
timed('index solution, 2,000 draws, N = 8, 3 mountings of 12', 15, 200, () => {
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
