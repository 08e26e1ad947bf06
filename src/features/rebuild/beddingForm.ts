import type { BeddingSchool, Hardness, Heat, Programme, StopGroup } from '@/core/bedding';
import type { BeddingPlan } from '@/core/contracts';
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

/** A plan as it stands in the fields. */
export interface TypedPlan {
  readonly school: BeddingSchool;
  readonly groups: readonly Typed[];
  readonly cool: string;
  readonly gentle: string;
  readonly note: string;
  readonly heat: Readonly<Record<HeatField, string>>;
}

/** The fields of a programme. */
export const typedProgramme = (programme: Programme, unit: SpeedUnit) => ({
  groups: programme.groups.map((each) => typedGroup(each, unit)),
  cool: String(programme.coolMinutes),
  gentle: String(programme.gentleKm),
  note: programme.note,
});

export const typedPlan = ({ school, programme, heat }: BeddingPlan, unit: SpeedUnit): TypedPlan => {
  const texts = HEAT_FIELDS.map(([field]) => [field, String(heat[field] ?? '')]);
  return {
    school,
    ...typedProgramme(programme, unit),
    heat: Object.fromEntries(texts) as TypedPlan['heat'],
  };
};

/** What is wrong with a figure of the heat as it is typed; one that is left out is not wrong. */
export function wrongHeat(
  typed: TypedPlan['heat'],
  [field, , low, high]: (typeof HEAT_FIELDS)[number],
): string | undefined {
  const text = typed[field];
  const isWrong = text.trim() !== '' && figureOf(text, low, high) === null;
  return isWrong ? `${low} to ${high}.` : undefined;
}

/** The figures of the heat to keep: a mass may be missing, the others stand as they were; null where one is wrong. */
export function heatToKeep(
  typed: TypedPlan['heat'],
  was: BeddingPlan['heat'],
): BeddingPlan['heat'] | null {
  if (HEAT_FIELDS.some((field) => wrongHeat(typed, field) !== undefined)) return null;
  const read = (field: HeatField): number | null => figureOf(typed[field], -Infinity, Infinity);
  return {
    vehicleKg: read('vehicleKg'),
    rotorKg: read('rotorKg'),
    share: read('share') ?? was.share,
    ambient: read('ambient') ?? was.ambient,
    tau: read('tau') ?? was.tau,
    ceiling: read('ceiling') ?? was.ceiling,
  };
}

/** What the fields of a programme say: each group or what is wrong with it, and the whole where all is sound. */
export interface ReadProgramme {
  readonly groups: readonly (StopGroup | string)[];
  /** Null where the text is none from 0 to 120, or from 0 to 2000. */
  readonly coolMinutes: number | null;
  readonly gentleKm: number | null;
  readonly programme: Programme | null;
}

export function readProgramme(typed: TypedPlan, unit: SpeedUnit): ReadProgramme {
  const groups = typed.groups.map((group) => readGroup(group, unit));
  const sound = groups.filter((each): each is StopGroup => typeof each !== 'string');
  const coolMinutes = figureOf(typed.cool === '' ? '0' : typed.cool, 0, 120);
  const gentleKm = figureOf(typed.gentle === '' ? '0' : typed.gentle, 0, 2000);
  const isSound = sound.length === groups.length && coolMinutes !== null && gentleKm !== null;
  const programme = isSound ? { groups: sound, coolMinutes, gentleKm, note: typed.note } : null;
  return { groups, coolMinutes, gentleKm, programme };
}
