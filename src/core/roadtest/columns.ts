import { UnusableRecording } from './recording';

/** What a column of a log can be. */
export const ROLES = ['time', 'x', 'y', 'z', 'speed', 'brake'] as const;
export type Role = (typeof ROLES)[number];

/** Index of each role's column and the factor that brings it to SI units. */
export interface ColumnPlan {
  readonly index: Readonly<Partial<Record<Role, number>>>;
  readonly factor: Readonly<Partial<Record<Role, number>>>;
  /** Time is written as date and clock, not as a number. */
  readonly isClock: boolean;
}

const NAMES: Readonly<Record<Role, RegExp>> = {
  time: /^(time|timestamp|t|seconds?|elapsed|zeit)\b/i,
  x: /^(a(cc(el(eration)?)?)?[ _.-]*x|x|gf?x)\b/i,
  y: /^(a(cc(el(eration)?)?)?[ _.-]*y|y|gf?y)\b/i,
  z: /^(a(cc(el(eration)?)?)?[ _.-]*z|z|gf?z)\b/i,
  speed: /^(speed|velocity|v|gps[ _.-]*speed)\b/i,
  brake: /^(brake|braking)\b/i,
};

const GRAVITY = 9.80665;
/** A unit in a header, e.g. "(g)" or "[m/s^2]" or "_ms". */
const UNITS: readonly (readonly [Role | 'axis', RegExp, number])[] = [
  ['time', /[([_ ](ms|millis\w*)[)\]]?$/i, 1e-3],
  ['time', /[([_ ](us|\u00b5s|micros\w*)[)\]]?$/i, 1e-6],
  ['time', /[([_ ](ns|nanos\w*)[)\]]?$/i, 1e-9],
  ['time', /[([_ ](s|sec\w*)[)\]]?$/i, 1],
  ['axis', /[([_ ]mg[)\]]?$/i, GRAVITY / 1000],
  ['axis', /[([_ ]g[)\]]?$/i, GRAVITY],
  ['axis', /m\/?s(\^?2|\u00b2)[)\]]?$/i, 1],
  ['speed', /km\/?h[)\]]?$|kph[)\]]?$/i, 1 / 3.6],
  ['speed', /mph[)\]]?$/i, 0.44704],
  ['speed', /m\/?s[)\]]?$/i, 1],
];

const unitFactor = (role: Role, header: string): number | null => {
  const kind = role === 'x' || role === 'y' || role === 'z' ? 'axis' : role;
  return UNITS.find(([of, pattern]) => of === kind && pattern.test(header))?.[2] ?? null;
};

/** The columns by name: those given in `map` first, the rest by what they are called. */
function placeColumns(
  header: readonly string[],
  map: Readonly<Partial<Record<Role, string>>>,
): Partial<Record<Role, number>> {
  const index: Partial<Record<Role, number>> = {};
  for (const role of ROLES) {
    const given = map[role];
    const at =
      given === undefined
        ? header.findIndex((name) => NAMES[role].test(name.trim()))
        : header.findIndex((name) => name.trim().toLowerCase() === given.trim().toLowerCase());
    if (given !== undefined && at < 0) {
      throw new UnusableRecording(
        'column',
        `There is no column "${given}" for ${role}. The file has: ${header.join(', ')}.`,
        `map.${role}`,
      );
    }
    if (at >= 0) index[role] = at;
  }
  return index;
}

/**
 * Finds the columns of a log and their units from its header and first row.
 *
 * `map` names columns that are called otherwise, `units` gives factors to SI units where
 * they were asked for. A unit that is not in the header is taken
 * where it is plain (seconds, m/s² for axes whose size is gravity's), else refused with
 * what to do. Throws UnusableRecording. Source: handbook 13.
 */
export function planColumns(
  header: readonly string[],
  first: readonly (readonly string[])[],
  map: Readonly<Partial<Record<Role, string>>> = {},
  units: Readonly<Partial<Record<Role, number>>> = {},
): ColumnPlan {
  const index = placeColumns(header, map);
  const missing = (['time', 'x'] as const).filter((role) => index[role] === undefined);
  if (missing.length > 0) {
    throw new UnusableRecording(
      'column',
      `No column is known as ${missing.join(' or ')}. The file has: ${header.join(', ')}. Name them, like time=t,x=ax.`,
    );
  }
  const at = (role: Role, row: readonly string[]): string => row[index[role] ?? -1] ?? '';
  const isClock = first.length > 0 && first.every((row) => /\d[-T:]\d/.test(at('time', row)));
  const factor: Partial<Record<Role, number>> = {};
  for (const role of ROLES) {
    const column = index[role];
    if (column === undefined) continue;
    const named = units[role] ?? unitFactor(role, header[column] ?? '');
    factor[role] = named ?? plainFactor(role, first, (row) => at(role, row), isClock);
  }
  return { index, factor, isClock };
}

/** The unit of a column whose header has none, where the figures make it plain. */
function plainFactor(
  role: Role,
  rows: readonly (readonly string[])[],
  at: (row: readonly string[]) => string,
  isClock: boolean,
): number {
  if (role === 'brake' || (role === 'time' && isClock)) return 1;
  const values = rows.map((row) => Number(at(row).replace(',', '.'))).filter(Number.isFinite);
  if (role === 'time') {
    const step = (values.at(-1)! - values[0]!) / Math.max(1, values.length - 1);
    // A phone logs 10 to 1000 samples a second: a step of a second or more is in ms.
    return step >= 1 ? 1e-3 : 1;
  }
  if (role === 'speed') {
    throw new UnusableRecording(
      'unit',
      'The unit of speed is not in the header. Write it there, like "speed (km/h)".',
      'speed',
    );
  }
  return 1;
}
