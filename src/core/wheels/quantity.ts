/** A quantity that is measured at a wheel, with what it is kept in and what it may be typed in. */
export type Quantity = 'temperature' | 'pressure' | 'depth' | 'torque' | 'percent';

/** A unit: what one of it is in the quantity's own unit, and where its zero lies. */
interface Unit {
  readonly sign: string;
  readonly factor: number;
  readonly offset?: number;
  /** Spellings, tidied: small letters, no dots or spaces. */
  readonly spelled: readonly string[];
}

interface Kind {
  /** The first is the one that figures are kept in. */
  readonly units: readonly [Unit, ...Unit[]];
  readonly least: number;
  readonly most: number;
}

/** Units by quantity; kept in °C, bar, mm, N·m and per cent. Source: handbook 2. */
const KINDS: Readonly<Record<Quantity, Kind>> = {
  temperature: {
    units: [
      { sign: '°C', factor: 1, spelled: ['°c', 'c'] },
      { sign: '°F', factor: 5 / 9, offset: -32, spelled: ['°f', 'f'] },
    ],
    least: -40,
    most: 900,
  },
  pressure: {
    units: [
      { sign: 'bar', factor: 1, spelled: ['bar'] },
      { sign: 'psi', factor: 0.0689475729, spelled: ['psi'] },
      { sign: 'kPa', factor: 0.01, spelled: ['kpa'] },
    ],
    least: 0,
    most: 12,
  },
  depth: {
    units: [
      { sign: 'mm', factor: 1, spelled: ['mm'] },
      { sign: 'in', factor: 25.4, spelled: ['in', '"'] },
    ],
    least: 0,
    most: 30,
  },
  torque: {
    units: [
      { sign: 'N·m', factor: 1, spelled: ['nm'] },
      { sign: 'lb·ft', factor: 1.3558179483314004, spelled: ['lbft', 'ftlb'] },
    ],
    least: 0,
    most: 1500,
  },
  percent: { units: [{ sign: '%', factor: 1, spelled: ['%'] }], least: 0, most: 20 },
};

/** The sign of the unit that a shop types a quantity in: its first in mm, its second in inches. */
export const unitOf = (quantity: Quantity, isInches: boolean): string => {
  const [first, second] = KINDS[quantity].units;
  return (isInches ? (second ?? first) : first).sign;
};

/** Every unit sign that figures may be kept with. */
export const SIGNS: readonly string[] = Object.values(KINDS).flatMap(({ units }) =>
  units.map(({ sign }) => sign),
);

export type ReadFigures =
  | { readonly ok: true; readonly figures: readonly number[] }
  | { readonly ok: false; readonly message: string };

const refuse = (message: string): ReadFigures => ({ ok: false, message });
const tidy = (spelling: string): string => spelling.toLowerCase().replace(/[\s.·⋅*-]/gu, '');

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
  const unit =
    spelled === undefined
      ? kind.units.find(({ sign }) => sign === fieldUnit)
      : kind.units.find((each) => each.spelled.includes(tidy(spelled)));
  if (!unit) {
    const signs = kind.units.map(({ sign }) => sign).join(', ');
    return refuse(`“${spelled ?? fieldUnit}” is no unit here. Use ${signs}.`);
  }
  const typed = numbers.split(/[\s;/]+/u).filter((each) => each !== '');
  const figures = typed.map((each) => Number(each.replace(',', '.')));
  if (figures.some((each) => !Number.isFinite(each))) return refuse('Type it in figures.');
  if (figures.length < fewest || figures.length > most) {
    return refuse(
      fewest === most ? `${most} figures, spaces between.` : `${fewest} to ${most} figures.`,
    );
  }
  const kept = figures.map((each) => (each + (unit.offset ?? 0)) * unit.factor);
  return kept.every((each) => each >= kind.least && each <= kind.most)
    ? { ok: true, figures: kept }
    : refuse('That cannot be. Check the figure and its unit.');
}
