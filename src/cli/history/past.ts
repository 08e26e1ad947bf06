import { DEMO_SHOP } from '../../core/bench';
import { STAGES, type ClosedJob, type Mark } from '../../core/insights';
import type { RandomSource } from '../../core/numeric';
import type { Corner } from '../../core/readings';

/** One corner of a past job: what was read, decided and read again; lengths in µm. */
export interface PastCorner {
  readonly corner: Corner;
  readonly runout: readonly number[];
  readonly thickness: readonly number[];
  readonly after: readonly number[];
  readonly correction: 'leave' | 'index' | 'clean' | 'machine-bench' | 'replace';
  readonly predicted: { readonly tir: number; readonly low: number; readonly high: number };
  /** Thickness after a cut; null where nothing was cut. */
  readonly finished: number | null;
  readonly money: { readonly done: number; readonly asNew: number; readonly comeback: number };
}

/** A job of the past, closed unless it is one of the last. */
export interface PastJob {
  readonly number: number;
  readonly vehicle: number;
  readonly complaint: string;
  readonly odometerKm: number;
  readonly createdAt: Date;
  readonly closedAt: Date | null;
  /** Number of the job that it came back from. */
  readonly comebackOf: number | null;
  readonly corners: readonly PastCorner[];
  readonly learnt: ClosedJob;
}

export interface PastVehicle {
  readonly plate: string;
  readonly make: string;
  readonly model: string;
}

const MAKES = ['Pellick', 'Osgrave', 'Velloway', 'Quillon'] as const;
const MODELS = ['Tern', 'Plover', 'Gannet', 'Dunlin', 'Curlew', 'Fulmar'] as const;
const COMPLAINTS = [
  'Steering wheel shakes when braking from speed.',
  'Pedal pulses at every gentle stop.',
  'Shake in the seat coming down from the pass.',
  'Judder after standing a week at the quay.',
  'Shudder that comes back a month after new rotors.',
  'Grinding and a pulse from one front wheel.',
] as const;
const CAUSES = [
  'dtv-front',
  'rust-under-hat',
  'hub-runout',
  'rotor-runout',
  'nut-torque',
  'deposits',
  'stuck-pins',
] as const;
const FOUND = [
  ['seat', 'rust'],
  ['nuts', 'uneven'],
  ['faces', 'film'],
  ['wear', 'grooves'],
  ['measured', 'runout'],
  ['measured', 'dtv'],
] as const;

const DAY = 86_400_000;
/** Jobs that a vehicle has in the history. */
export const JOBS_A_VEHICLE = 8;
const NEW_UM = 28_000;
const CUT_UM = 250;
const DISCARD_UM = 26_000;
const POSITIONS = { runout: 12, thickness: 8, after: 5 } as const;

/** A new rotor, in what it differs from corner to corner. */
interface Rotor {
  thickness: number;
  perKm: number;
}

const pick = <Item>(items: readonly Item[], random: RandomSource): Item =>
  items[Math.floor(random.uniform() * items.length)]!;

/** A wave of order 1 with noise: `tir` peak to peak, one reading a position, in µm. */
function wave(count: number, tir: number, level: number, random: RandomSource): number[] {
  const phase = random.uniform() * 2 * Math.PI;
  return Array.from(
    { length: count },
    (_, i) =>
      Math.round(
        10 * (level + (tir / 2) * Math.cos((2 * Math.PI * i) / count - phase) + random.normal()),
      ) / 10,
  );
}

const newRotor = (random: RandomSource): Rotor => ({
  thickness: NEW_UM + 20 * random.normal(),
  perKm: 0.012 + 0.012 * random.uniform(),
});

/** What it costs in crowns to do this at one corner, from the demo's price list. */
const COST: Readonly<Record<PastCorner['correction'], number>> = (() => {
  const { items, hourly } = DEMO_SHOP.prices;
  const of = (item: 'index' | 'clean' | 'bench' | 'rotor'): number =>
    (items[item].parts ?? 0) + ((items[item].minutes ?? 0) / 60) * (hourly ?? 0);
  return {
    leave: 0,
    index: of('index'),
    clean: of('clean'),
    'machine-bench': of('bench'),
    replace: of('rotor'),
  };
})();

function pastCorner(corner: Corner, rotor: Rotor, km: number, random: RandomSource): PastCorner {
  rotor.thickness -= rotor.perKm * km;
  const tir = 20 + 70 * random.uniform();
  const dtv = 3 + 12 * random.uniform();
  const isThin = rotor.thickness < DISCARD_UM + CUT_UM + 200;
  const correction =
    tir < 45 && dtv < 11
      ? 'leave'
      : isThin
        ? 'replace'
        : dtv > 12
          ? 'machine-bench'
          : random.uniform() < 0.7
            ? 'index'
            : 'clean';
  const predicted = correction === 'leave' ? tir : 8 + 22 * random.uniform();
  const ended = Math.max(4, predicted + 4 * random.normal());
  const thickness = wave(POSITIONS.thickness, dtv, rotor.thickness, random);
  if (correction === 'machine-bench') rotor.thickness -= CUT_UM;
  if (correction === 'replace') Object.assign(rotor, newRotor(random));
  return {
    corner,
    runout: wave(POSITIONS.runout, tir, 0, random),
    thickness,
    after: wave(POSITIONS.after, ended, 0, random),
    correction,
    predicted: { tir: predicted, low: Math.max(0, predicted - 8), high: predicted + 8 },
    finished: correction === 'machine-bench' ? Math.round(rotor.thickness) : null,
    money: {
      done: COST[correction],
      asNew: COST.replace,
      comeback: DEMO_SHOP.prices.comeback ?? 0,
    },
  };
}

/** Marks of a job's work: a few at each stage, minutes apart. */
function marksFrom(start: Date, random: RandomSource): Mark[] {
  let at = start.getTime();
  return STAGES.flatMap((stage) =>
    Array.from({ length: 3 }, (): Mark => {
      at += 60_000 * (1 + 14 * random.uniform());
      return { stage, at };
    }),
  );
}

/** Plates of three digits and a letter; those of a large history take a second one. */
const PLATES_A_LETTER = 1000;
const LETTERS = 26;

/** The vehicle of a place in the history. */
export function pastVehicle(index: number): PastVehicle {
  const digits = String((index * 37 + 107) % PLATES_A_LETTER).padStart(3, '0');
  const letters = Math.floor(index / PLATES_A_LETTER);
  const second = Math.floor(letters / LETTERS);
  return {
    plate: `SK-${digits}-${String.fromCharCode(65 + (letters % LETTERS))}${second || ''}`,
    make: MAKES[index % MAKES.length]!,
    model: `${MODELS[index % MODELS.length]!} ${1 + (index % 9)}`,
  };
}

/** How likely a job comes back, by what was done. */
const RETURNS: Readonly<Record<PastCorner['correction'], number>> = {
  leave: 0.03,
  index: 0.03,
  clean: 0.08,
  'machine-bench': 0.05,
  replace: 0.09,
};

interface Draft extends Omit<PastJob, 'learnt'> {
  readonly cause: (typeof CAUSES)[number];
  readonly marks: readonly Mark[];
  readonly found: ClosedJob['found'];
}

/** The jobs of one vehicle in order, each from what the one before left. */
function draftsOf(
  vehicle: number,
  numbers: readonly number[],
  { random, firstMs, everyMs, openFrom }: HistoryPlan,
): Draft[] {
  const rotors = new Map<Corner, Rotor>([
    ['FL', newRotor(random)],
    ['FR', newRotor(random)],
  ]);
  let odometer = 4000 + Math.round(20_000 * random.uniform());
  let before: Draft | null = null;
  const drafts: Draft[] = [];
  for (const number of numbers) {
    const isBack: boolean =
      before !== null &&
      random.uniform() < Math.max(...before.corners.map(({ correction }) => RETURNS[correction]));
    const km = isBack ? 400 + 800 * random.uniform() : 4000 + 6000 * random.uniform();
    odometer += Math.round(km);
    const createdAt = new Date(firstMs + Math.round((number - 1) * everyMs));
    const marks = marksFrom(createdAt, random);
    const last = marks.at(-1)?.at ?? createdAt.getTime();
    const draft: Draft = {
      number,
      vehicle,
      complaint: pick(COMPLAINTS, random),
      odometerKm: odometer,
      createdAt,
      closedAt: number >= openFrom ? null : new Date(last),
      comebackOf: isBack && before?.closedAt ? before.number : null,
      corners: [...rotors].map(([corner, rotor]) => pastCorner(corner, rotor, km, random)),
      cause: pick(CAUSES, random),
      marks,
      found: FOUND.filter(() => random.uniform() < 0.3).map(([code, value]) => ({
        code,
        value,
        corner: random.uniform() < 0.5 ? 'FL' : 'FR',
      })),
    };
    drafts.push(draft);
    before = draft;
  }
  return drafts;
}

/** What a history is made from. */
export interface HistoryPlan {
  readonly random: RandomSource;
  readonly firstMs: number;
  /** Time between the beginnings of two jobs. */
  readonly everyMs: number;
  /** Number of the first job that is still open. */
  readonly openFrom: number;
}

/** How large a history is, and what it is drawn from. */
export interface HistorySize {
  readonly jobs: number;
  /** Jobs at the end that are still open. */
  readonly open: number;
  readonly seed: number;
  /** When its first job begins, and the days over which the jobs are spread evenly. */
  readonly from: Date;
  readonly days: number;
}

/** The plan of a history, its jobs numbered from 1. */
export const planOf = (
  { jobs, open, from, days }: HistorySize,
  random: RandomSource,
): HistoryPlan => ({
  random,
  firstMs: from.getTime(),
  everyMs: (days * DAY) / jobs,
  openFrom: jobs - open + 1,
});

/** The past jobs of one vehicle; vehicles take turns, so that each comes in every few months. */
export function pastJobs(vehicle: number, jobs: number, plan: HistoryPlan): PastJob[] {
  const vehicles = Math.ceil(jobs / JOBS_A_VEHICLE);
  const numbers = Array.from(
    { length: JOBS_A_VEHICLE },
    (_, turn) => turn * vehicles + vehicle + 1,
  ).filter((number) => number <= jobs);
  const drafts = draftsOf(vehicle, numbers, plan);
  return drafts.map(({ cause, marks, found, ...job }) => ({
    ...job,
    learnt: {
      cause,
      cameBack: drafts.some(({ comebackOf }) => comebackOf === job.number),
      corners: job.corners.map(({ corner, correction, predicted, after, money }) => ({
        corner,
        correction,
        predicted,
        measured: Math.max(...after) - Math.min(...after),
        money: { currency: DEMO_SHOP.prices.currency, ...money },
      })),
      found,
      marks,
    },
  }));
}
