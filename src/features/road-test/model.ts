import { wheelFrequency, type ColumnPlan, type Role, type RoadTestAnalysis } from '@/core/roadtest';
import { fromMetresPerSecond, toMetresPerSecond, type SpeedUnit } from '@/core/units';

/** Speeds of the frequency table, in the shop's unit. */
const TABLE: Readonly<Record<SpeedUnit, readonly number[]>> = {
  'km/h': [30, 40, 50, 60, 70, 80, 90, 100, 110, 120, 130],
  mph: [20, 25, 30, 35, 40, 45, 50, 55, 60, 70, 80],
};

/** What turns, and how often in one turn of the wheel. */
export interface Turning {
  readonly name: string;
  readonly order: number;
}

/** The orders of the table: the wheel's first three, and the propshaft where it is known. */
export const turningOf = (finalDrive: number | null): Turning[] => [
  { name: 'order 1', order: 1 },
  { name: 'order 2', order: 2 },
  { name: 'order 3', order: 3 },
  ...(finalDrive === null ? [] : [{ name: 'propshaft', order: finalDrive }]),
];

/** Frequencies in Hz by speed, a row a speed. */
export function frequencyTable(
  diameter: number,
  turning: readonly Turning[],
  unit: SpeedUnit,
): { speed: number; hertz: number[] }[] {
  return TABLE[unit].map((speed) => {
    const wheel = wheelFrequency(toMetresPerSecond(speed, unit), diameter);
    return { speed, hertz: turning.map(({ order }) => order * wheel) };
  });
}

/** A figure as typed, with a decimal comma or point; null when it is none in the range. */
export function figureIn(text: string, low: number, high: number): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && value >= low && value <= high ? value : null;
}

/** The curves of an analysis for the axis that shakes most (the first when none does). */
export function spectrumLines(analysis: RoadTestAnalysis): {
  axis: string;
  lines: { name: string; points: { x: number; y: number }[]; look: 'strong' | 'dashed' }[];
} {
  const axis = analysis.strongest?.axis ?? analysis.spectra[0]?.axis ?? '';
  const spectra = analysis.spectra.find((each) => each.axis === axis);
  const points = (of: 'braking' | 'coasting') => {
    const spectrum = spectra?.[of];
    return spectrum
      ? spectrum.amplitude
          .map((y, k) => ({ x: k * spectrum.step, y }))
          .filter(({ x }) => x >= LOWEST_DRAWN)
      : [];
  };
  return {
    axis,
    lines: [
      { name: 'braking', points: points('braking'), look: 'strong' as const },
      { name: 'coasting', points: points('coasting'), look: 'dashed' as const },
    ].filter((line) => line.points.length > 0),
  };
}

/** Below this order lie the drive's own slow motions. */
const LOWEST_DRAWN = 0.5;

/** Amplitude of the strongest order by speed, in the shop's unit. */
export const speedLines = (
  { bySpeed }: RoadTestAnalysis,
  unit: SpeedUnit,
): { name: string; points: { x: number; y: number }[]; look: 'strong' | 'dashed' }[] =>
  (['braking', 'coasting'] as const)
    .map((kind) => ({
      name: kind,
      look: kind === 'braking' ? ('strong' as const) : ('dashed' as const),
      points: bySpeed
        .filter((each) => each.kind === kind)
        .map(({ speed, amplitude }) => ({
          x: fromMetresPerSecond(speed, unit),
          y: amplitude,
        })),
    }))
    .filter(({ points }) => points.length > 0);

/** Units that can be asked for, by what a column is; factors to SI units. */
export const ASKED_UNITS: Readonly<Record<'time' | 'axes' | 'speed', readonly [string, number][]>> =
  {
    time: [
      ['s', 1],
      ['ms', 1e-3],
      ['µs', 1e-6],
    ],
    axes: [
      ['m/s²', 1],
      ['g', 9.80665],
    ],
    speed: [
      ['km/h', 1 / 3.6],
      ['m/s', 1],
      ['mph', 0.44704],
    ],
  };

export type Chosen = Readonly<Partial<Record<Role, string>>>;
export type ChosenUnits = Readonly<Partial<Record<'time' | 'axes' | 'speed', number>>>;

/** Chosen units as factors by column. */
export function factorsOf(units: ChosenUnits): ColumnPlan['factor'] {
  const { time, axes, speed } = units;
  return {
    ...(time === undefined ? {} : { time }),
    ...(axes === undefined ? {} : { x: axes, y: axes, z: axes }),
    ...(speed === undefined ? {} : { speed }),
  };
}

/** Problems that choosing columns, units or a speed can put right. */
export const canBeMapped = (code: string): boolean =>
  ['column', 'unit', 'speed', 'rows', 'time'].includes(code);
