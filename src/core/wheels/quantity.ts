import {
  fromMicrometres,
  lengthUnitOf,
  pressureUnitOf,
  temperatureUnitOf,
  toBar,
  toCelsius,
  toMicrometres,
  toNewtonMetres,
  torqueUnitOf,
} from '../units';

/** A quantity that is measured at a wheel. */
export type Quantity = 'temperature' | 'pressure' | 'depth' | 'torque' | 'percent';

/** A unit that figures are typed in: its sign, and a figure in it as what its quantity is kept in. */
interface Unit {
  readonly sign: string;
  readonly kept: (figure: number) => number;
}

interface Kind {
  /** Signs it may be typed in: the first where the shop reads mm, the second where it reads inches. */
  readonly signs: readonly [string, ...string[]];
  /** The unit behind a spelling; null where it is none. */
  readonly unit: (spelling: string) => Unit | null;
  readonly least: number;
  readonly most: number;
}

/** A kind whose units come from a table: a spelling as a unit, a unit's sign, a figure as it is kept. */
const unitBy =
  <Code extends string>(
    codeOf: (spelling: string) => Code | null,
    signOf: (code: Code) => string,
    kept: (figure: number, code: Code) => number,
  ): Kind['unit'] =>
  (spelling) => {
    const code = codeOf(spelling);
    return code && { sign: signOf(code), kept: (figure) => kept(figure, code) };
  };
const same = (sign: string): string => sign;

/** Kept in °C, bar, mm, N·m and per cent. Source: handbook 2. */
const KINDS: Readonly<Record<Quantity, Kind>> = {
  temperature: {
    signs: ['°C', '°F'],
    unit: unitBy(temperatureUnitOf, (code) => `°${code}`, toCelsius),
    least: -40,
    most: 900,
  },
  pressure: {
    signs: ['bar', 'psi', 'kPa'],
    unit: unitBy(pressureUnitOf, same, toBar),
    least: 0,
    most: 12,
  },
  depth: {
    signs: ['mm', 'in', 'thou', 'um'],
    unit: unitBy(lengthUnitOf, same, (figure, code) =>
      fromMicrometres(toMicrometres(figure, code), 'mm'),
    ),
    least: 0,
    most: 30,
  },
  torque: {
    signs: ['N·m', 'lb·ft', 'kgf·m'],
    unit: unitBy(torqueUnitOf, same, toNewtonMetres),
    least: 0,
    most: 1500,
  },
  percent: {
    signs: ['%'],
    unit: (spelling) => (spelling === '%' ? { sign: '%', kept: Number } : null),
    least: 0,
    most: 20,
  },
};

/** The sign of the unit that a shop types a quantity in: its first in mm, its second in inches. */
export const unitOf = (quantity: Quantity, isInches: boolean): string => {
  const [first, second] = KINDS[quantity].signs;
  return isInches ? (second ?? first) : first;
};

/** Every unit sign that a field of figures may have. */
export const SIGNS: readonly string[] = Object.values(KINDS).flatMap(({ signs }) => signs);

export type ReadFigures =
  | {
      readonly ok: true;
      readonly figures: readonly number[];
      /** The figures as they were typed, without their unit, and the sign of the unit they are in. */
      readonly text: string;
      readonly unit: string;
    }
  | { readonly ok: false; readonly message: string };

const refuse = (message: string): ReadFigures => ({ ok: false, message });

/**
 * Reads one or more figures as they are typed, spaces, semicolons or slashes between them and a unit
 * at the end if it is another than the field's: `1.9 2.4`, `118/120/96`, `180 °F`. Answers in the
 * unit that the quantity is kept in, or says what to do.
 */
export function readFigures(
  text: string,
  quantity: Quantity,
  fieldUnit: string,
  [fewest, most]: readonly [number, number],
): ReadFigures {
  const kind = KINDS[quantity];
  const match = /^([-\d.,;/\s]*\d)\s*([^\d\s].*)?$/u.exec(text.trim());
  if (!match) return refuse('Type it in figures.');
  const [, numbers = '', spelled] = match;
  const unit = kind.unit(spelled ?? fieldUnit);
  if (!unit) {
    return refuse(`“${spelled ?? fieldUnit}” is no unit here. Use ${kind.signs.join(', ')}.`);
  }
  const typed = numbers.split(/[\s;/]+/u).filter((each) => each !== '');
  const figures = typed.map((each) => Number(each.replace(',', '.')));
  if (figures.some((each) => !Number.isFinite(each))) return refuse('Type it in figures.');
  if (figures.length < fewest || figures.length > most) {
    return refuse(
      fewest === most ? `${most} figures, spaces between.` : `${fewest} to ${most} figures.`,
    );
  }
  const kept = figures.map(unit.kept);
  return kept.every((each) => each >= kind.least && each <= kind.most)
    ? { ok: true, figures: kept, text: numbers.trim(), unit: unit.sign }
    : refuse('That cannot be. Check the figure and its unit.');
}
