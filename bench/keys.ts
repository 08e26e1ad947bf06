import { drawFace, SURFACES, type Face } from '../src/core/bench';
import { seededRandom, type RandomSource } from '../src/core/numeric';
import { mayBeginWhole } from '../src/core/readings';
import { FIRST_PLACES, settleFrom } from '../src/core/thickness';

/**
 * Keys that a corner's bench takes, without a pointer: 12 places closed, one slow turn, thickness until it is settled,
 * with a dial and a micrometer of 1 µm. A dial reading is its digits and Enter or minus; a thickness is written out at
 * the first place, two digits and Enter at the next two, and two digits from then on; with Enter where they could
 * begin a whole figure, at the last place and at those asked for beyond it (`features/measure/quickDigits.ts`).
 */
const CORNERS = Number(process.argv[2] ?? 2000);
const PLACES = 12;
/** Starting runout, going on to thickness, and starting that. */
const AROUND = 3;
const NOMINAL = 26_000;
const REPEATABILITY = 1;
const VARIANCE = REPEATABILITY ** 2 + 1 / 12;
const LIMIT = 12;

const shown = (value: number, random: RandomSource): number =>
  Math.round(value + REPEATABILITY * random.normal());
const at = (face: Face, angle: number): number => face[Math.round(angle * 2) % face.length]!;

const dialKeys = (value: number): number => String(Math.abs(value)).length + 1;

function runoutKeys(random: RandomSource): { readonly keys: number; readonly entries: number } {
  const surface = SURFACES[Math.floor(random.uniform() * SURFACES.length)]!;
  const face = drawFace(surface, 10 + 90 * random.uniform(), random);
  const zero = at(face, 0);
  const lap = Array.from({ length: PLACES + 1 }, (_, i) =>
    i === 0 ? 0 : shown(at(face, (i % PLACES) * (360 / PLACES)) - zero, random),
  );
  const turn = [Math.max(...face), Math.min(...face)].map((value) => shown(value - zero, random));
  const all = [...lap, ...turn];
  return { keys: all.reduce((sum, value) => sum + dialKeys(value), 0), entries: all.length };
}

function thicknessKeys(random: RandomSource): { readonly keys: number; readonly entries: number } {
  const face = drawFace('smooth', 24 * random.uniform(), random);
  const base = NOMINAL + 800 * (random.uniform() - 0.5);
  const read: number[] = [];
  settleFrom(
    (angle) => {
      const value = shown(base + at(face, angle), random);
      read.push(value);
      return value;
    },
    VARIANCE,
    LIMIT,
  );
  const keys = read.map((value, i) => {
    if (i === 0) return (value / 1000).toFixed(3).length + 1;
    const mayBegin = mayBeginWhole(String(value).slice(-2), (value / 1000).toFixed(3));
    // At the last of the laps, and where places are asked for one by one, it is entered.
    return i <= 2 || i >= FIRST_PLACES - 1 || mayBegin ? 3 : 2;
  });
  return { keys: keys.reduce((sum, each) => sum + each, 0), entries: read.length };
}

const random = seededRandom(17);
const counts = Array.from({ length: CORNERS }, () => {
  const [runout, thickness] = [runoutKeys(random), thicknessKeys(random)];
  return {
    keys: AROUND + runout.keys + thickness.keys,
    swept: AROUND + 6 + thickness.keys,
    entries: thickness.entries,
  };
});
const mean = (of: (each: (typeof counts)[number]) => number): string =>
  (counts.reduce((sum, each) => sum + of(each), 0) / CORNERS).toFixed(1);
const sorted = counts.map(({ keys }) => keys).sort((p, q) => p - q);
const share = (part: number): number => sorted[Math.floor(part * (CORNERS - 1))]!;
console.log(
  `${CORNERS} corners: keys ${mean(({ keys }) => keys)} on average, median ${share(0.5)}, nine of ten below ${share(0.9)}; thickness read ${mean(({ entries }) => entries)} times; with a sweep ${mean(({ swept }) => swept)} keys`,
);
