import { logDrive, type DrivePart, type VirtualDrive } from '../src/core/bench';
import { seededRandom } from '../src/core/numeric';
import { readLogText, solveRoadTest } from '../src/core/roadtest';

const KMH = 1 / 3.6;
const SEEDS = 20;
const DIAMETER = 0.65;
const part = (from: number, to: number, seconds: number): DrivePart => ({
  from: from * KMH,
  to: to * KMH,
  seconds,
});
const STEADY = [part(20, 90, 20), part(90, 90, 40)];
const FALLING = [part(90, 30, 10), part(30, 90, 20)];
const DRIVES: readonly (readonly [
  string,
  VirtualDrive['shakes'][number]['during'],
  DrivePart[],
])[] = [
  ['constant speed', 'always', STEADY],
  ['falling speed, three stops', 'braking', [...STEADY, ...FALLING, ...FALLING, ...FALLING]],
];
const NOISE = 0.5;
/** Standard deviation of noise as amplitude in the bin of one order of a 32-turn Hann window. */
const binNoise = (rate: number): number => {
  const samples = (32 * Math.PI * DIAMETER * rate) / (60 * KMH);
  return NOISE * Math.sqrt((4 * 1.5) / samples);
};

/** Order and amplitude found against truth, at twice the noise of the order's bin. */
console.log(`\nRecordings with known truth, ${SEEDS} seeds a line, 200 samples a second\n`);
console.log(
  '| drive | speed error | order | amplitude / bin noise | right order (±0.05) | amplitude within 10 % | mean error | spread |\n| --- | --- | --- | --- | --- | --- | --- | --- |',
);
for (const [name, during, parts] of DRIVES) {
  for (const speedError of [0, 0.03]) {
    for (const [order, times] of [
      [1, 2],
      [2, 2],
      [1, 6],
    ] as const) {
      const amplitude = times * binNoise(200);
      const errors: number[] = [];
      let found = 0;
      for (let seed = 1; seed <= SEEDS; seed += 1) {
        const log = logDrive(
          {
            parts,
            diameter: DIAMETER,
            shakes: [{ order, amplitude, during, axis: 'x' }],
            noise: NOISE,
            rate: 200,
            speedEvery: 1,
            jitter: 1,
            speedError,
          },
          seededRandom(seed),
        );
        const { strongest } = solveRoadTest({ recording: readLogText(log), diameter: DIAMETER });
        if (!strongest || Math.abs(strongest.order - order) > 0.05) continue;
        found += 1;
        errors.push(strongest.amplitude / amplitude - 1);
      }
      const mean = errors.reduce((sum, each) => sum + each, 0) / errors.length;
      const spread = Math.sqrt(
        errors.reduce((s, each) => s + (each - mean) ** 2, 0) / errors.length,
      );
      const near = errors.filter((each) => Math.abs(each) <= 0.1).length;
      console.log(
        `| ${name} | ${100 * speedError} % | ${order} | ${times} | ${found} of ${SEEDS} | ${near} of ${found} | ${(100 * mean).toFixed(1)} % | ${(100 * spread).toFixed(1)} % |`,
      );
    }
  }
}
let clean = 0;
for (let seed = 1; seed <= SEEDS; seed += 1) {
  const drive = { parts: [...STEADY, ...FALLING, ...FALLING], diameter: DIAMETER, shakes: [] };
  const log = logDrive({ ...drive, noise: NOISE, rate: 200, speedEvery: 1 }, seededRandom(seed));
  const solved = solveRoadTest({ recording: readLogText(log), diameter: DIAMETER });
  if (solved.strongest === null) clean += 1;
}
console.log(`\nClean recordings of which no order stands out: ${clean} of ${SEEDS}`);
