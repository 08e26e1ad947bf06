/** How hard a stop is, with the deceleration that a driver makes of it in m/s². */
export const HARDNESS = { light: 2, moderate: 3, firm: 4.5 } as const;
export type Hardness = keyof typeof HARDNESS;

/** Walking pace in km/h: what "to walking pace" slows to. */
export const WALKING_PACE = 5;

/** A number of like stops. Speeds in km/h; `spacing` seconds from one stop to the next. */
export interface StopGroup {
  readonly stops: number;
  readonly from: number;
  readonly to: number;
  readonly hard: Hardness;
  readonly spacing: number;
}

/** The schools of bedding-in, by the house rule's codes. Source: handbook 14, 15, 19. */
export const BEDDING_SCHOOLS = ['maker', 'progressive', 'moderate', 'gentle'] as const;
export type BeddingSchool = (typeof BEDDING_SCHOOLS)[number];

/** A way to bed in: stops, a drive that lets it cool, a distance without hard stops. */
export interface Programme {
  readonly groups: readonly StopGroup[];
  /** Minutes of driving without braking at the end. */
  readonly coolMinutes: number;
  /** Distance without hard stops afterwards, in km. */
  readonly gentleKm: number;
  /** What else is said, like the pad maker's own words. */
  readonly note: string;
}

const none: Programme = { groups: [], coolMinutes: 0, gentleKm: 0, note: '' };

/** The programmes as shipped; each can be changed by the shop and for a job. Source: handbook 19. */
export const SHIPPED_PROGRAMMES: Readonly<Record<BeddingSchool, Programme>> = {
  // The maker's own instructions are entered: nothing is assumed for them.
  maker: none,
  progressive: {
    ...none,
    groups: [25, 45, 65, 85].map((from) => ({
      stops: 3,
      from,
      to: WALKING_PACE,
      hard: 'moderate' as const,
      spacing: 60,
    })),
  },
  moderate: {
    ...none,
    groups: [{ stops: 10, from: 60, to: 15, hard: 'moderate', spacing: 45 }],
    coolMinutes: 10,
  },
  gentle: { ...none, gentleKm: 300 },
};

/** One stop of a programme: its place, and the seconds that it comes after the one before. */
export interface Stop extends Omit<StopGroup, 'stops'> {
  readonly group: number;
  readonly number: number;
  /** Seconds since the stop before; 0 for the first. */
  readonly gap: number;
}

/** The stops of a programme one by one, in order. */
export const stopsOf = ({ groups }: Programme): Stop[] =>
  groups
    .flatMap(({ stops, ...own }, group) => Array.from({ length: stops }, () => ({ ...own, group })))
    .map((stop, i) => ({ ...stop, number: i + 1, gap: i === 0 ? 0 : stop.spacing }));

const SPEED = 1 / 3.6;
/** Seconds that a stop takes. */
export const stopSeconds = ({ from, to, hard }: Pick<Stop, 'from' | 'to' | 'hard'>): number =>
  ((from - to) * SPEED) / HARDNESS[hard];

/**
 * How long a programme takes, in seconds, and how far it goes, in metres: the drive from stop
 * to stop at the speed of the next, the stops themselves, the cooling drive at the last speed.
 * A planning estimate.
 */
export function extentOf(programme: Programme): {
  readonly seconds: number;
  readonly metres: number;
} {
  const stops = stopsOf(programme);
  const cool = programme.coolMinutes * 60;
  const lastSpeed = (stops.at(-1)?.from ?? 0) * SPEED;
  return stops.reduce(
    ({ seconds, metres }, stop) => {
      const braking = stopSeconds(stop);
      const way = ((stop.from + stop.to) / 2) * SPEED * braking;
      return {
        seconds: seconds + stop.gap + (stop.number === stops.length ? braking : 0),
        metres: metres + way + Math.max(0, stop.gap - braking) * stop.from * SPEED,
      };
    },
    { seconds: cool, metres: cool * lastSpeed },
  );
}
