import type { Hardness, Heat, StopGroup } from '@/core/bedding';
import { fromMetresPerSecond, toMetresPerSecond, type SpeedUnit } from '@/core/units';
import { figureOf } from './model';

/** A group of stops as it is typed. */
export type Typed = Readonly<Record<'stops' | 'from' | 'to' | 'spacing', string>> & {
  readonly hard: Hardness;
};

const speedIn = (kmh: number, unit: SpeedUnit): string =>
  String(Math.round(fromMetresPerSecond(kmh / 3.6, unit)));
const kmhOf = (figure: number, unit: SpeedUnit): number =>
  Math.round(toMetresPerSecond(figure, unit) * 3.6 * 100) / 100;

export const typedGroup = (group: StopGroup, unit: SpeedUnit): Typed => ({
  stops: String(group.stops),
  from: speedIn(group.from, unit),
  to: speedIn(group.to, unit),
  hard: group.hard,
  spacing: String(group.spacing),
});

/** A typed group as the estimate takes it, or what is wrong with it. */
export function readGroup(typed: Typed, unit: SpeedUnit): StopGroup | string {
  const stops = figureOf(typed.stops, 1, 50);
  const from = figureOf(typed.from, 5, 250);
  const to = figureOf(typed.to, 0, 200);
  const spacing = figureOf(typed.spacing, 5, 3600);
  if (stops === null || !Number.isInteger(stops)) return 'Stops: a whole number from 1 to 50.';
  if (from === null || to === null) return `Speeds in ${unit}, up to 250.`;
  if (to >= from) return 'A stop ends slower than it begins.';
  if (spacing === null) return 'Apart: 5 to 3600 seconds.';
  return { stops, from: kmhOf(from, unit), to: kmhOf(to, unit), hard: typed.hard, spacing };
}

/** The figures that the heat estimate rests on: name, label, bounds. */
export const HEAT_FIELDS = [
  ['vehicleKg', 'Vehicle as driven (kg)', 300, 40_000],
  ['rotorKg', 'One rotor (kg)', 1, 60],
  ['share', 'Share of the braking, this axle', 0.1, 0.9],
  ['ambient', 'Outside (°C)', -40, 55],
  ['tau', 'Cooling time constant (s)', 30, 3600],
  ['ceiling', 'Not above (°C)', 80, 800],
] as const;
export type HeatField = (typeof HEAT_FIELDS)[number][0];

/** The heat estimate’s figures once all are there; null while one is missing or wrong. */
export function readHeat(typed: Readonly<Record<HeatField, string>>): Heat | null {
  const values = HEAT_FIELDS.map(([field, , low, high]) => [
    field,
    figureOf(typed[field], low, high),
  ]);
  if (values.some(([, value]) => value === null)) return null;
  return Object.fromEntries(values) as unknown as Heat;
}
