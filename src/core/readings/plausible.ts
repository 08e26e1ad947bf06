import {
  formatLength,
  parseLength,
  toMicrometres,
  type LengthUnit,
  type Micrometres,
  type ParsedLength,
} from '../units';

/** What a length is of: its name and the sizes that can be meant, in micrometres. */
export interface LengthKind {
  readonly name: string;
  readonly low: Micrometres;
  readonly high: Micrometres;
}

const MM = 1000;

/** Sizes outside of these are slips of unit or decimal point, not rotors. */
export const LENGTH_KINDS = {
  deviation: { name: 'a runout reading', low: -10 * MM, high: 10 * MM },
  thickness: { name: 'a rotor thickness', low: 2 * MM, high: 80 * MM },
  radius: { name: 'a radius', low: 20 * MM, high: 400 * MM },
  limit: { name: 'a limit', low: 1, high: 5 * MM },
  resolution: { name: 'a gauge resolution', low: 0.001, high: 1 * MM },
  spread: { name: 'a gauge error', low: 0, high: 1 * MM },
  zeroError: { name: 'a zero error', low: -1 * MM, high: 1 * MM },
  amount: { name: 'an amount', low: 0, high: 10 * MM },
  pad: { name: 'a pad thickness', low: 0, high: 30 * MM },
  piston: { name: 'a piston diameter', low: 15 * MM, high: 120 * MM },
  drum: { name: 'a drum diameter', low: 100 * MM, high: 600 * MM },
  endPlay: { name: 'end play', low: 0, high: 2 * MM },
  travel: { name: 'a travel', low: 0, high: 60 * MM },
  pass: { name: 'a cutting pass', low: 1, high: 5 * MM },
} as const satisfies Record<string, LengthKind>;

const OTHER_UNITS: readonly LengthUnit[] = ['mm', 'in', 'thou', 'um'];

const isPossible = (value: Micrometres, kind: LengthKind): boolean =>
  value >= kind.low && value <= kind.high;

/**
 * Why a length cannot be what it is said to be, naming the unit in which the same figure
 * would be possible; null when it can.
 */
export function implausible(
  shown: string,
  value: Micrometres,
  unit: LengthUnit,
  kind: LengthKind,
): string | null {
  if (isPossible(value, kind)) return null;
  const figure = (value as number) / toMicrometres(1, unit);
  const likely = OTHER_UNITS.find(
    (other) => other !== unit && isPossible(toMicrometres(figure, other), kind),
  );
  const range = `${formatLength(kind.low, 'mm')} to ${formatLength(kind.high, 'mm')}`;
  const hint = likely ? `Is the unit ${likely}?` : 'Check the figure and its unit.';
  return `${shown} cannot be ${kind.name} (${range}). ${hint}`;
}

/** Reads a typed length and refuses what cannot be of its kind. */
export function readTyped(text: string, fieldUnit: LengthUnit, kind: LengthKind): ParsedLength {
  const parsed = parseLength(text, fieldUnit);
  if (!parsed.ok) return parsed;
  const { value, unit } = parsed.length;
  const shown = /[a-z"\u00b5\u03bc\u2033']/i.test(text) ? text.trim() : `${text.trim()} ${unit}`;
  const message = implausible(shown, value, unit, kind);
  return message === null ? parsed : { ok: false, message };
}
