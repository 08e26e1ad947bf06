import {
  anyCorner,
  cornerOfTir,
  dirtOnce,
  faultOnce,
  indexOnce,
  micrometerShows,
  DRIFTS,
  drawFace,
  readFace,
  readUntilSettled,
  sweepFace,
  SURFACES,
  swingOf,
  type BenchFaults,
  type DriftKind,
  type Face,
  type FaultStudy,
  type Surface,
} from '../src/core/bench';
import { nextMountShift } from '../src/core/indexing';
import { seededRandom, type RandomSource } from '../src/core/numeric';
import type { Gauge } from '../src/core/readings';
import { solveThickness } from '../src/core/thickness';
import { WORKSHOP_DEFAULTS } from '../src/core/verdict';

const CORNERS = Number(process.argv[2] ?? 20_000);
const gauge = { resolution: 1, repeatability: 1 };
const SETUP = { studs: 5, positions: 12, gauge, limit: 50 };

const percent = (share: number, n: number): string =>
  `${(100 * share).toFixed(1)} ± ${(100 * Math.sqrt((share * (1 - share)) / n)).toFixed(1)} %`;
const row = (...cells: (string | number)[]): void => console.log(`| ${cells.join(' | ')} |`);

/** Amplitude of order 1 against the truth, its band, and what drift costs. */
function amplitudes(drift: DriftKind, random: RandomSource): void {
  let covered = 0;
  let squares = 0;
  let closed = 0;
  for (let i = 0; i < CORNERS; i += 1) {
    const face = drawFace('smooth', 10 + 90 * random.uniform(), random);
    const setup = { ...SETUP, drift, hasTurns: false };
    const { result } = readFace(face, setup, random);
    // A lap that did not close is no measurement.
    if (result.closure?.ok === false) continue;
    closed += 1;
    const first = result.orders.find(({ order }) => order === 1)!;
    const truth = firstOrderOf(face);
    if (Math.abs(first.amplitude - truth) <= 1.96 * first.uAmplitude) covered += 1;
    squares += (first.amplitude - truth) ** 2;
  }
  const best = Math.sqrt(gauge.repeatability ** 2 + gauge.resolution ** 2 / 12);
  const ratio = Math.sqrt(squares / closed) / (best * Math.sqrt(2 / SETUP.positions));
  row(`drift ${drift}`, percent(covered / closed, closed), ratio.toFixed(3));
}

/** Amplitude of a face's first order, from all of its points. */
function firstOrderOf(face: Face): number {
  let [a, b] = [0, 0];
  face.forEach((value, j) => {
    a += (2 / face.length) * value * Math.cos((2 * Math.PI * j) / face.length);
    b += (2 / face.length) * value * Math.sin((2 * Math.PI * j) / face.length);
  });
  return Math.hypot(a, b);
}

const NEAR = 8;

/** Verdicts near the limit: wrong within, wrong beyond, too close, as shares of all. */
function verdicts(
  surface: Surface,
  setup: { positions: number; hasTurns: boolean; gauge: Gauge },
  random: RandomSource,
): void {
  const count = { close: 0, wrongWithin: 0, wrongBeyond: 0, within: 0, beyond: 0, turns: 0 };
  for (let i = 0; i < CORNERS; i += 1) {
    const tir = SETUP.limit + NEAR * (2 * random.uniform() - 1);
    const { result, turns } = readFace(
      drawFace(surface, tir, random),
      { ...SETUP, ...setup },
      random,
    );
    const { state } = result.verdict;
    count.turns += turns;
    if (state === 'too-close') count.close += 1;
    if (state === 'within') count.within += 1;
    if (state === 'beyond') count.beyond += 1;
    if (state === 'within' && tir > SETUP.limit) count.wrongWithin += 1;
    if (state === 'beyond' && tir <= SETUP.limit) count.wrongBeyond += 1;
  }
  row(
    `${surface}, ${setup.positions} places, ${setup.hasTurns ? 'with turns' : 'places only'}`,
    percent(count.wrongWithin / Math.max(1, count.within), Math.max(1, count.within)),
    percent(count.wrongBeyond / Math.max(1, count.beyond), Math.max(1, count.beyond)),
    percent(count.close / CORNERS, CORNERS),
    (count.turns / CORNERS).toFixed(2),
  );
}

/** Verdicts of sweeps near the limit, and whether their bands hold the truth. */
function sweeps(surface: Surface, rate: number, own: Gauge, random: RandomSource): void {
  const seen = { close: 0, wrong: 0, called: 0, sweeps: 0, held: 0, taken: 0 };
  for (let i = 0; i < CORNERS; i += 1) {
    const tir = SETUP.limit + NEAR * (2 * random.uniform() - 1);
    const study = {
      gauge: own,
      limit: SETUP.limit,
      rate,
      seconds: 15,
      studs: SETUP.studs,
      most: 3,
    };
    const swept = sweepFace(drawFace(surface, tir, random), study, random);
    if (!swept) continue;
    const { state } = swept.result.verdict;
    const { value, uncertainty } = swept.result.swept!;
    seen.taken += 1;
    seen.sweeps += swept.sweeps;
    if (Math.abs(value - tir) <= 1.96 * uncertainty) seen.held += 1;
    if (state === 'too-close') seen.close += 1;
    if (state !== 'within' && state !== 'beyond') continue;
    seen.called += 1;
    if ((state === 'within') !== tir <= SETUP.limit) seen.wrong += 1;
  }
  row(
    `${surface}, ${rate} a second, σ ${own.repeatability} µm`,
    percent(seen.wrong / Math.max(1, seen.called), Math.max(1, seen.called)),
    percent(seen.close / seen.taken, seen.taken),
    percent(1 - seen.called / seen.taken - seen.close / seen.taken, seen.taken),
    (seen.sweeps / seen.taken).toFixed(2),
    percent(seen.held / seen.taken, seen.taken),
  );
}

/** Both faces are worn by the same pads: thickness varies from place to place less than a face does. */
const THICKNESS_ROUGHNESS = 0.3;

/** Thickness until it is settled: what is found of the rotors beyond, and with how many readings. */
function settling(surface: Surface, random: RandomSource): void {
  const limit = WORKSHOP_DEFAULTS.thicknessVariation;
  const seen = { beyond: 0, found: 0, missed: 0, close: 0, readings: 0 };
  for (let i = 0; i < CORNERS; i += 1) {
    const face = drawFace(surface, 24 * random.uniform(), random, THICKNESS_ROUGHNESS);
    const variation = swingOf(face);
    const { state, readings } = readUntilSettled(face, WORKSHOP_DEFAULTS.micrometer, limit, random);
    seen.readings += readings;
    if (state === 'too-close') seen.close += 1;
    if (variation <= limit) continue;
    seen.beyond += 1;
    if (state === 'beyond') seen.found += 1;
    if (state === 'within') seen.missed += 1;
  }
  row(
    surface,
    (seen.readings / CORNERS).toFixed(1),
    percent(seen.found / seen.beyond, seen.beyond),
    percent(seen.missed / seen.beyond, seen.beyond),
    percent(seen.close / CORNERS, CORNERS),
  );
}

function indexing(own: Gauge, random: RandomSource): void {
  const setup = { ...SETUP, gauge: own };
  const name = `σ = ${own.repeatability} µm: `;
  const all = Array.from({ length: SETUP.studs }, (_, shift) => shift);
  const second = nextMountShift(SETUP.studs, 0, [0], all)!;
  const studies = Array.from({ length: CORNERS }, () =>
    indexOnce(anyCorner(SETUP.studs, random), setup, [0, second], random),
  );
  const share = (test: (study: (typeof studies)[number]) => boolean): string =>
    percent(studies.filter(test).length / CORNERS, CORNERS);
  row(
    `${name}95 % band of a predicted runout holds the truth`,
    share(({ covered }) => covered),
    '93 to 97 %',
  );
  row(
    `${name}chosen stud within 4 µm of the best`,
    share(({ worse }) => worse <= 4),
    'at least 95 %',
  );
  row(
    `${name}chosen stud within 2 µm of the best`,
    share(({ worse }) => worse <= 2),
    own.repeatability === 1 ? 'at least 98.5 %' : 'at least 93 %',
  );
}

/** Truths that are within, as shares of the limit: a fault makes them look otherwise. */
const TRUTHS = [0.7, 0.85] as const;
const RUNS = Math.max(400, Math.floor(CORNERS / 10));

/** The smallest size at which half of the verdicts are changed, and what is then seen. */
function study(
  name: string,
  sizes: readonly number[],
  once: (size: number, random: RandomSource) => FaultStudy,
  seed: number,
): void {
  for (const size of sizes) {
    const random = seededRandom(seed);
    const runs = Array.from({ length: RUNS }, () => once(size, random));
    const changed = runs.filter(({ state }) => state !== 'within').length / RUNS;
    if (changed < 0.5 && size !== sizes.at(-1)) continue;
    const seen = runs.filter((run) => run.seen).length / RUNS;
    row(name, `${size} µm`, percent(changed, RUNS), percent(seen, RUNS));
    return;
  }
}

const steps = (low: number, high: number, by: number): number[] =>
  Array.from({ length: Math.round((high - low) / by) + 1 }, (_, i) => low + i * by);

function faults(truth: number): void {
  const tir = truth * SETUP.limit;
  const from = `corner at ${truth} of its limit: `;
  const dial = (make: (size: number) => BenchFaults) => (size: number, random: RandomSource) =>
    faultOnce(
      cornerOfTir(tir, SETUP.studs, random),
      make(size),
      SETUP,
      WORKSHOP_DEFAULTS.endPlay,
      random,
    );
  study(
    `${from}loose base, creep in one turn`,
    steps(4, 80, 2),
    dial((looseBase) => ({ looseBase })),
    3,
  );
  study(
    `${from}play in the bearing`,
    steps(4, 80, 2),
    dial((endPlay) => ({ endPlay })),
    4,
  );
  study(
    `${from}dirt under the hat, tilt (TIR), third mounting`,
    steps(4, 80, 2),
    (size, random) => dirtOnce(cornerOfTir(tir, SETUP.studs, random), size / 2, SETUP, random),
    5,
  );
}

const MICROMETER = WORKSHOP_DEFAULTS.micrometer;
const LIMITS = { discard: 26_000, dtv: 12 };
/** So far below discard a rotor is clearly to be replaced. */
const BELOW = 12;

/** A rotor below discard that a hot disc or a zero error makes look thick enough. */
function thicknessFault(
  name: string,
  sizes: readonly number[],
  make: (size: number) => BenchFaults,
): void {
  const once = (size: number, random: RandomSource) => {
    const faultsHere = make(size);
    const corner = {
      ...cornerOfTir(20, SETUP.studs, random),
      meanThickness: LIMITS.discard - BELOW,
    };
    const turnOf = (j: number): number => (360 * j) / SETUP.positions;
    const lap = Array.from({ length: SETUP.positions }, (_, j) =>
      micrometerShows(
        { corner, faults: faultsHere },
        { shift: 0, turn: turnOf(j), gauge: MICROMETER },
        random,
      ),
    );
    const judge = (noted: { zeroError?: number; temperature?: { rotor: number } }) =>
      solveThickness({ laps: [lap], gauge: MICROMETER, limits: LIMITS, ...noted }).verdicts.discard;
    const unseen = judge({});
    // The zero is seen as the micrometer shows it, the temperature to 2 K.
    const zero = Math.round(
      (faultsHere.zeroError ?? 0) + MICROMETER.repeatability * random.normal(),
    );
    const celsius = (faultsHere.celsius ?? 20) + 2 * random.normal();
    const noted = judge({ zeroError: zero, temperature: { rotor: celsius } });
    return {
      changed: unseen.state !== 'beyond',
      told: celsius > 50 || Math.abs(zero) > MICROMETER.mpe,
      right: noted.state !== 'within',
    };
  };
  for (const size of sizes) {
    const random = seededRandom(6);
    const runs = Array.from({ length: RUNS }, () => once(size, random));
    const share = (test: (run: (typeof runs)[number]) => boolean): number =>
      runs.filter(test).length / RUNS;
    if (share(({ changed }) => changed) < 0.5 && size !== sizes.at(-1)) continue;
    row(
      name,
      String(size),
      percent(
        share(({ changed }) => changed),
        RUNS,
      ),
      percent(
        share(({ told }) => told),
        RUNS,
      ),
    );
    row(
      `${name}: never “within” once noted`,
      String(size),
      '',
      percent(
        share(({ right }) => right),
        RUNS,
      ),
    );
    return;
  }
}

function falseAlarms(random: RandomSource): void {
  let alarms = 0;
  for (let i = 0; i < CORNERS; i += 1) {
    const corner = cornerOfTir(10 + 60 * random.uniform(), SETUP.studs, random);
    if (faultOnce(corner, {}, SETUP, WORKSHOP_DEFAULTS.endPlay, random).seen) alarms += 1;
  }
  row('clean dial set: any alarm', '', '', percent(alarms / CORNERS, CORNERS));
  let seats = 0;
  for (let i = 0; i < RUNS; i += 1) {
    if (dirtOnce(anyCorner(SETUP.studs, random), 0, SETUP, random).seen) seats += 1;
  }
  row(
    'three clean mountings: “did not seat the same way twice”',
    '',
    '',
    percent(seats / RUNS, RUNS),
  );
}

console.log(
  `\nMeasuring: ${CORNERS} simulated corners, 12 positions, one lap, σ 1 µm, limit 50 µm\n`,
);
row('laps', '95 % band of the amplitude holds the truth (94 to 97 %)', 'spread / σ√(2/n)');
row('---', '---', '---');
for (const drift of DRIFTS) amplitudes(drift, seededRandom(1));
console.log('\nVerdicts within 8 µm of the limit\n');
row('face', 'of those within wrong', 'of those beyond wrong', 'too close', 'turns');
row('---', '---', '---', '---', '---');
for (const surface of SURFACES) {
  for (const positions of [8, 12, 24]) {
    for (const hasTurns of [false, true]) {
      verdicts(surface, { positions, hasTurns, gauge }, seededRandom(2));
    }
  }
}
console.log('\nSweeps of 15 s within 8 µm of the limit, three at most\n');
row('face', 'of the calls wrong', 'too close', 'not closed', 'sweeps', '95 % band holds');
row('---', '---', '---', '---', '---', '---');
for (const own of [gauge, { resolution: 1, repeatability: 3 }]) {
  for (const rate of [10, 20]) {
    for (const surface of SURFACES) sweeps(surface, rate, own, seededRandom(9));
  }
}
console.log('\nThickness until it is settled, limit 12 µm, true variation 0 to 24 µm\n');
row('face', 'readings', 'of those beyond found', 'of those beyond called within', 'too close');
row('---', '---', '---', '---', '---');
for (const surface of ['smooth', 'rough'] as const) settling(surface, seededRandom(3));
console.log('\nIndexing, two mountings of 12 places\n');
row('what', 'measured', 'asked');
row('---', '---', '---');
for (const repeatability of [1, 3]) indexing({ resolution: 1, repeatability }, seededRandom(7));
console.log(`\nFaults at the size at which half of the verdicts change (${RUNS} runs each)\n`);
row('fault', 'size', 'verdict changed', 'recognised (asked: at least 95 %)');
row('---', '---', '---', '---');
for (const truth of TRUTHS) faults(truth);
thicknessFault('hot disc (°C), felt or measured', steps(25, 120, 5), (celsius) => ({ celsius }));
thicknessFault('micrometer off zero (µm), zero seen', steps(2, 40, 1), (zeroError) => ({
  zeroError,
}));
console.log('\nFalse alarms (asked: at most 2 %)\n');
row('set', '', '', 'alarms');
row('---', '---', '---', '---');
falseAlarms(seededRandom(8));
