import type { RandomSource } from '../numeric';
import { readSweep, type Gauge, type Sweep } from '../readings';
import { mostTurns, solveRunout, type RunoutResult, type SlowTurn } from '../runout';
import { settleFrom } from '../thickness';
import type { Degrees, Micrometres } from '../units';
import { handPace } from './handPace';
import type { VerdictState } from '../verdict';

/** A face as it is: its height every half degree, in micrometres. */
export type Face = Float64Array;

const POINTS = 720;
const at = (face: Face, angle: Degrees): Micrometres =>
  face[((Math.round(angle * 2) % POINTS) + POINTS) % POINTS]!;

/** Smooth: orders 1 to 3. Bump: one more, a few degrees wide. Rough: rust spots all over, and a bump. */
export const SURFACES = ['smooth', 'bump', 'rough'] as const;
export type Surface = (typeof SURFACES)[number];

const BUMP: { readonly height: Micrometres; readonly width: Degrees } = { height: 12, width: 4 };
const SPOTS: { readonly deviation: Micrometres; readonly width: Degrees; readonly count: number } =
  {
    deviation: 2.5,
    width: 3,
    count: 60,
  };

/** A spot of a height in the middle and a width (one standard deviation) laid on a face. */
function addSpot(face: Face, middle: Degrees, height: Micrometres, width: Degrees): void {
  for (let j = 0; j < POINTS; j += 1) {
    const apart = Math.abs(((j / 2 - middle + 540) % 360) - 180);
    face[j] = face[j]! + height * Math.exp(-((apart / width) ** 2) / 2);
  }
}

/** The true runout, or variation, of a face. */
export const swingOf = (face: Face): Micrometres => Math.max(...face) - Math.min(...face);

/**
 * A face of a surface whose true swing, over all angles, is `tir`, or what its spots alone make.
 * `roughness`: how high its spots are, 1 as on a runout face.
 */
export function drawFace(
  surface: Surface,
  tir: Micrometres,
  random: RandomSource,
  roughness = 1,
): Face {
  const sizes = [1, 0.04 * random.uniform(), 0.02 * random.uniform()];
  const turns = sizes.map(() => 2 * Math.PI * random.uniform());
  const wave = Float64Array.from({ length: POINTS }, (_, j) =>
    sizes.reduce(
      (sum, size, k) => sum + size * Math.cos((k + 1) * ((j * Math.PI) / 360) - turns[k]!),
      0,
    ),
  );
  const own = new Float64Array(POINTS);
  if (surface === 'rough') {
    for (let i = 0; i < SPOTS.count; i += 1) {
      addSpot(
        own,
        360 * random.uniform(),
        roughness * SPOTS.deviation * random.normal(),
        SPOTS.width,
      );
    }
  }
  if (surface !== 'smooth') {
    const sign = random.uniform() < 0.5 ? 1 : -1;
    addSpot(own, 360 * random.uniform(), roughness * sign * BUMP.height, BUMP.width);
  }
  // The wave is made as large as the whole must be: its swing grows steadily with the wave.
  const withWave = (size: number): Face => own.map((value, j) => value + size * wave[j]!);
  let [low, high] = [0, tir];
  for (let step = 0; step < 40; step += 1) {
    const middle = (low + high) / 2;
    if (swingOf(withWave(middle)) < tir) low = middle;
    else high = middle;
  }
  return withWave(high);
}

/** How the base creeps during a lap. */
export const DRIFTS = ['none', '2', '4', 'creep', 'mixed'] as const;
export type DriftKind = (typeof DRIFTS)[number];

function driftOf(kind: DriftKind, random: RandomSource): Micrometres {
  if (kind === 'none') return 0;
  if (kind === 'creep') return 3;
  if (kind === 'mixed') return random.uniform() < 0.5 ? 0 : 3 * random.normal();
  return Number(kind) * random.normal();
}

const shown = (value: Micrometres, gauge: Gauge, random: RandomSource): Micrometres =>
  Math.round((value + gauge.repeatability * random.normal()) / gauge.resolution) * gauge.resolution;

/** Degrees between two looks at the dial in a slow turn. */
const LOOK: Degrees = 1;

/** One slow turn: stopped where the dial was seen highest and lowest, and read there at rest. */
function turnSlowly(face: Face, gauge: Gauge, random: RandomSource): SlowTurn {
  let [high, low] = [
    { angle: 0, value: -Infinity },
    { angle: 0, value: Infinity },
  ];
  for (let angle = 0; angle < 360; angle += LOOK) {
    const value = shown(at(face, angle), gauge, random);
    if (value > high.value) high = { angle, value };
    if (value < low.value) low = { angle, value };
  }
  const ends = [high, low].map(({ angle }) => shown(at(face, angle), gauge, random));
  return { high: Math.max(...ends), low: Math.min(...ends) };
}

export interface FaceStudy {
  readonly positions: number;
  readonly gauge: Gauge;
  readonly limit: Micrometres;
  readonly drift?: DriftKind;
  /** Slow turns until the verdict settles, three at most (six with a coarse gauge). */
  readonly hasTurns: boolean;
  readonly endPlay?: Micrometres;
}

/** One lap, closed, and slow turns as long as they are asked for. */
export function readFace(
  face: Face,
  { positions, gauge, limit, drift = 'none', hasTurns, endPlay = 0 }: FaceStudy,
  random: RandomSource,
): { readonly result: RunoutResult; readonly turns: number } {
  const perLap = driftOf(drift, random);
  const play = (): Micrometres => endPlay * (random.uniform() - 0.5);
  const read = (share: number): Micrometres =>
    shown(at(face, 360 * share) + perLap * share + play(), gauge, random);
  const lap = Array.from({ length: positions }, (_, j) => read(j / positions));
  const common = {
    face: 'outboard',
    laps: [lap],
    closing: [read(1)],
    studs: 5,
    gauge,
    limit,
    endPlay: { value: endPlay, limit: 1000 },
  } as const;
  const turns: SlowTurn[] = [];
  let result = solveRunout(common);
  const most = mostTurns(gauge.repeatability);
  while (
    hasTurns &&
    turns.length < most &&
    (turns.length === 0 || result.verdict.state === 'too-close')
  ) {
    turns.push(turnSlowly(face, gauge, random));
    result = solveRunout({ ...common, turns });
  }
  return { result, turns: turns.length };
}

/** How a wheel is turned by hand while a gauge sends. */
export interface SweepStudy {
  readonly gauge: Gauge;
  readonly limit: Micrometres;
  /** Readings that the gauge sends in a second. */
  readonly rate: number;
  readonly seconds: number;
  readonly studs: number;
  readonly drift?: DriftKind;
  readonly endPlay?: Micrometres;
  /** Sweeps are taken until the verdict settles, so many at most. */
  readonly most: number;
}

/** A hand marks a stud so many milliseconds early or late, one standard deviation. */
const REACTION = 40;
/** By so much of itself the pace of a hand goes up and down in a turn, at most. */
const SWAY = 0.25;

/** One slow turn by hand, swept: uneven pace, each stud marked a little early or late. */
export function sweepOnce(
  face: Face,
  { gauge, rate, seconds, studs, drift = 'none', endPlay = 0 }: SweepStudy,
  random: RandomSource,
): Sweep {
  const perLap = driftOf(drift, random);
  const turned = handPace(SWAY, random);
  const count = Math.round(rate * seconds);
  const times = Array.from({ length: count }, (_, i) => (1000 * (i + 0.5)) / rate);
  const values = times.map((time) => {
    const share = turned(time / (1000 * seconds));
    const play = endPlay * (random.uniform() - 0.5);
    return shown(at(face, 360 * share) + perLap * share + play, gauge, random);
  });
  // When a stud stands at the probe, found by halving: the turn goes on steadily.
  const timeAt = (share: number): number => {
    let [from, to] = [0, 1];
    for (let step = 0; step < 40; step += 1) {
      const middle = (from + to) / 2;
      if (turned(middle) < share) from = middle;
      else to = middle;
    }
    return 1000 * seconds * from;
  };
  const marks = Array.from({ length: studs + 1 }, (_, i) =>
    i === 0 ? 0 : Math.max(0, timeAt(i / studs) + REACTION * random.normal()),
  );
  return { times, values, marks };
}

/** Sweeps a face until its verdict is settled; null where a turn gives too few readings. */
export function sweepFace(
  face: Face,
  study: SweepStudy,
  random: RandomSource,
): { readonly result: RunoutResult; readonly sweeps: number } | null {
  const { gauge, limit, studs, endPlay = 0, most } = study;
  const first = readSweep(sweepOnce(face, study, random), studs);
  if (!first.ok) return null;
  const laps = [first.lap];
  for (;;) {
    const result = solveRunout({
      face: 'outboard',
      laps: laps.map(({ values }) => values),
      closing: laps.map(({ closing }) => closing),
      studs,
      gauge,
      limit,
      endPlay: { value: endPlay, limit: 1000 },
      sweep: { readings: laps.reduce((sum, { readings }) => sum + readings, 0) },
    });
    if (result.verdict.state !== 'too-close' || laps.length >= most) {
      return { result, sweeps: laps.length };
    }
    const again = readSweep(sweepOnce(face, study, random), studs, first.lap.positions);
    if (again.ok) laps.push(again.lap);
  }
}

/** Reads a thickness as it is told to until it is settled; how many readings that took. */
export function readUntilSettled(
  face: Face,
  gauge: Gauge,
  limit: Micrometres,
  random: RandomSource,
): { readonly state: VerdictState; readonly readings: number } {
  const variance = gauge.repeatability ** 2 + gauge.resolution ** 2 / 12;
  const { state, settling } = settleFrom(
    (angle) => shown(at(face, angle), gauge, random),
    variance,
    limit,
  );
  return { state, readings: settling.readings };
}
