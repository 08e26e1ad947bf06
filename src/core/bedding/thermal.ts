import type { Celsius } from '../units';
import { stopsOf, type Programme, type StopGroup } from './programme';

/** Specific heat of grey cast iron in J/(kg·K). Source: handbook 15. */
export const SPECIFIC_HEAT = 500;

/** Workshop defaults of the estimate. Source: handbook 19. */
export const HEAT_DEFAULTS = { ceiling: 300 as Celsius, tau: 240, frontShare: 0.7 } as const;

/** What the estimate rests on. */
export interface Heat {
  /** Mass of the vehicle as driven, in kg. */
  readonly vehicleKg: number;
  /** Mass of one rotor, in kg. */
  readonly rotorKg: number;
  /** Share of the braking that this axle does, 0 to 1. */
  readonly share: number;
  readonly ambient: Celsius;
  /** Time constant of cooling, in seconds. */
  readonly tau: number;
  /** Temperature that is not to be passed. */
  readonly ceiling: Celsius;
}

/** Energy of one stop into one rotor, in J: E = ½·M·(v₁² − v₂²)·share/2; speeds in km/h. */
export function stopEnergy(
  { vehicleKg, share }: Pick<Heat, 'vehicleKg' | 'share'>,
  { from, to }: { readonly from: number; readonly to: number },
): number {
  return (0.5 * vehicleKg * ((from / 3.6) ** 2 - (to / 3.6) ** 2) * share) / 2;
}

/** Rise of one rotor in one stop, in K: ΔT = E/(m·c). Source: handbook 15. */
export const stopRise = (
  heat: Heat,
  stop: { readonly from: number; readonly to: number },
): number => stopEnergy(heat, stop) / (heat.rotorKg * SPECIFIC_HEAT);

/** Temperature after cooling for so many seconds. */
export const cooled = ({ ambient, tau }: Heat, from: Celsius, seconds: number): Celsius =>
  (ambient as number) + ((from as number) - (ambient as number)) * Math.exp(-seconds / tau);

/** One stop with the rotor's predicted temperature before and after it. */
export interface StopHeat {
  readonly number: number;
  /** Seconds since the first stop. */
  readonly at: number;
  readonly before: Celsius;
  readonly after: Celsius;
  readonly isOver: boolean;
}

/** What a programme is predicted to do to a rotor. */
export interface Prediction {
  readonly stops: readonly StopHeat[];
  readonly highest: Celsius;
  /** Temperature at the end of the cooling drive. */
  readonly end: Celsius;
  /** Joules into the rotor, and those that it gave off. */
  readonly taken: number;
  readonly given: number;
  /** Numbers of the stops that pass the ceiling. */
  readonly over: readonly number[];
}

/**
 * Predicted temperature of one rotor by stop: each stop heats it at once, between stops it
 * cools towards ambient. A planning estimate. Source: handbook 15.
 */
export function predictHeat(programme: Programme, heat: Heat): Prediction {
  const stops: StopHeat[] = [];
  const capacity = heat.rotorKg * SPECIFIC_HEAT;
  let now: Celsius = heat.ambient;
  let at = 0;
  let given = 0;
  for (const stop of stopsOf(programme)) {
    const before = cooled(heat, now, stop.gap);
    given += capacity * ((now as number) - (before as number));
    at += stop.gap;
    const after: Celsius = (before as number) + stopRise(heat, stop);
    const isOver = (after as number) > (heat.ceiling as number);
    stops.push({ number: stop.number, at, before, after, isOver });
    now = after;
  }
  const end = cooled(heat, now, programme.coolMinutes * 60);
  given += capacity * ((now as number) - (end as number));
  return {
    stops,
    highest: stops.reduce<Celsius>(
      (most, { after }) => Math.max(most as number, after as number),
      heat.ambient,
    ),
    end,
    taken: stopsOf(programme).reduce((sum, stop) => sum + stopEnergy(heat, stop), 0),
    given,
    over: stops.filter(({ isOver }) => isOver).map(({ number }) => number),
  };
}

/** Spacings are proposed in steps of so many seconds, up to this many. */
const STEP = 5;
const LONGEST = 3600;

/** Whether every stop up to and with a group stays below the ceiling. */
const isCool = (programme: Programme, heat: Heat, upTo: number): boolean =>
  predictHeat({ ...programme, groups: programme.groups.slice(0, upTo + 1) }, heat).over.length ===
  0;

/** The least spacing of a group, not below its own, that stays below the ceiling; null where none does. */
function spacingFor(programme: Programme, heat: Heat, index: number): StopGroup | null {
  const group = programme.groups[index];
  if (!group) return null;
  const first = Math.ceil(group.spacing / STEP) * STEP;
  const tries = [group.spacing];
  for (let spacing = first; spacing <= LONGEST; spacing += STEP) tries.push(spacing);
  for (const spacing of tries) {
    const own = { ...group, spacing };
    const groups = programme.groups.map((each, i) => (i === index ? own : each));
    if (isCool({ ...programme, groups }, heat, index)) return own;
  }
  return null;
}

/**
 * The programme with its spacings lengthened, group after group, until the rotor stays below
 * the ceiling; null where no spacing can do it, as one stop alone passes the ceiling.
 */
export function proposeSpacing(programme: Programme, heat: Heat): Programme | null {
  let proposed = programme;
  for (const index of programme.groups.keys()) {
    const group = spacingFor(proposed, heat, index);
    if (!group) return null;
    const groups = proposed.groups.map((each, i) => (i === index ? group : each));
    proposed = { ...proposed, groups };
  }
  return proposed;
}
