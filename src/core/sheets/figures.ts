import { CALIPERS, TRAITS } from '../procedure';
import { readTyped, type LengthKind } from '../readings';
import { challengeTorque, FASTENERS, type FastenerCode } from '../torque';
import { parseTorque, type LengthRole, type LengthUnit, type TorqueUnit } from '../units';
import { LIMIT_FIELDS, type LimitField } from './limitFields';

/** How a figure of a sheet is written: as one of a few words, as several, or as a number. */
type Manner =
  | { readonly as: 'choice'; readonly choices: readonly string[] }
  | { readonly as: 'several'; readonly choices: readonly string[] }
  | { readonly as: 'mass'; readonly low: number; readonly high: number }
  | { readonly as: 'length'; readonly role: LengthRole; readonly of: LengthKind }
  | { readonly as: 'torque' };

export type BuildCode =
  | 'fastening'
  | 'studs'
  | 'places'
  | 'caliper'
  | 'pistons'
  | 'traits'
  | 'rotorKg'
  | 'massKg';
export type SheetCode = BuildCode | LimitField | `torque.${FastenerCode}`;

/** What a sheet can say of an axle of a model. */
export interface SheetKind {
  readonly code: SheetCode;
  readonly name: string;
  /** Its column in a spreadsheet, with the unit where it has one. */
  readonly column: string;
  readonly manner: Manner;
}

const choice = (code: BuildCode, name: string, choices: readonly string[]): SheetKind => ({
  ...{ code, name, column: code },
  manner: { as: 'choice', choices },
});

const snake = (code: string): string =>
  code.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`).replaceAll('-', '_');

/** Everything that a sheet can say, in the order of the form and of the spreadsheet's columns. */
export const SHEET_KINDS: readonly SheetKind[] = [
  choice('fastening', 'Wheel held by', ['studs', 'bolts']),
  choice('studs', 'How many studs or bolts', ['3', '4', '5', '6', '7', '8', '9', '10']),
  choice('places', 'Rotor goes on', ['any', 'as-found']),
  choice('caliper', 'Caliper', CALIPERS),
  choice('pistons', 'Pistons in a caliper', ['1', '2', '3', '4', '6', '8']),
  {
    ...{ code: 'traits', name: 'It also has', column: 'traits' },
    manner: { as: 'several', choices: TRAITS },
  },
  {
    ...{ code: 'rotorKg', name: 'Mass of one rotor', column: 'rotor_kg' },
    manner: { as: 'mass', low: 1, high: 60 },
  },
  {
    ...{ code: 'massKg', name: 'Mass of the vehicle as driven', column: 'vehicle_kg' },
    manner: { as: 'mass', low: 300, high: 40_000 },
  },
  ...LIMIT_FIELDS.map(({ kind, name, role, of }): SheetKind => ({
    ...{ code: kind, name, column: `${snake(kind)}_mm` },
    manner: { as: 'length', role, of },
  })),
  ...FASTENERS.map(({ code, name }): SheetKind => ({
    ...{ code: `torque.${code}`, name: name.includes('torque') ? name : `${name}, torque` },
    column: `torque_${snake(code)}_nm`,
    manner: { as: 'torque' },
  })),
];

export const SHEET_CODES = SHEET_KINDS.map(({ code }) => code) as [SheetCode, ...SheetCode[]];

/** The kind of a code; throws where there is none. */
export function sheetKind(code: SheetCode): SheetKind {
  const kind = SHEET_KINDS.find((each) => each.code === code);
  if (!kind) throw new Error(`A sheet says nothing of ${code}`);
  return kind;
}

/**
 * A figure as it stands on a sheet: text as typed, and its value in micrometres, newton metres or
 * kilograms; a choice has words alone.
 */
export interface SheetValue {
  readonly text: string;
  readonly unit: string;
  readonly value: number | null;
}

export type ReadValue =
  | { readonly ok: true; readonly value: SheetValue }
  | { readonly ok: false; readonly message: string };

const said = (text: string, unit = '', value: number | null = null): ReadValue => ({
  ok: true,
  value: { text, unit, value },
});
const refused = (message: string): ReadValue => ({ ok: false, message });

function readMass(text: string, low: number, high: number): ReadValue {
  const mass = Number(text.replace(/\s*kg$/i, '').replace(',', '.'));
  return mass >= low && mass <= high
    ? said(text, 'kg', mass)
    : refused(`Write the mass in kg, ${low} to ${high}.`);
}

function readSeveral(text: string, choices: readonly string[]): ReadValue {
  const words = text.split(/[\s,;|]+/).filter((word) => word !== '');
  const strange = words.find((word) => word !== 'none' && !choices.includes(word));
  return strange === undefined
    ? said(choices.filter((each) => words.includes(each)).join(' ') || 'none')
    : refused(`"${strange}" is none of ${choices.join(', ')}.`);
}

/** A torque far from its kind is confirmed where it is pulled: no sheet hands it on unasked. */
function readTorque(code: SheetCode, text: string, unit: TorqueUnit): ReadValue {
  const read = parseTorque(text, unit);
  if (!read.ok) return refused(read.message);
  const fastener = FASTENERS.find((each) => code === `torque.${each.code}`);
  const challenge = fastener ? challengeTorque(fastener, read.torque) : null;
  return challenge === null
    ? said(read.torque.text, read.torque.unit, read.torque.value)
    : refused(`${challenge} A sheet does not hand such a figure on: enter it in the torque list.`);
}

/** Units that bare figures are in: those of a spreadsheet's header, or of the shop's form. */
export interface SheetUnits {
  readonly length: (role: LengthRole) => LengthUnit;
  readonly torque: TorqueUnit;
}

/** The units that the columns of a spreadsheet name. */
export const COLUMN_UNITS: SheetUnits = { length: () => 'mm', torque: 'N·m' };

/** Reads a figure as somebody types it; what it cannot be is refused in words. */
export function readValue(
  { code, manner }: SheetKind,
  typed: string,
  units: SheetUnits,
): ReadValue {
  const text = typed.trim();
  switch (manner.as) {
    case 'choice':
      return manner.choices.includes(text)
        ? said(text)
        : refused(`"${text}" is none of ${manner.choices.join(', ')}.`);
    case 'several':
      return readSeveral(text, manner.choices);
    case 'mass':
      return readMass(text, manner.low, manner.high);
    case 'length': {
      const read = readTyped(text, units.length(manner.role), manner.of);
      return read.ok
        ? said(read.length.text, read.length.unit, read.length.value)
        : refused(read.message);
    }
    case 'torque':
      return readTorque(code, text, units.torque);
  }
}

/** Figures closer than this are one, typed in another unit: µm, N·m or kg. */
const SAME = 0.05;

/** Whether two figures of one kind say the same. */
export const isSameValue = (p: SheetValue, q: SheetValue): boolean =>
  p.value === null || q.value === null ? p.text === q.text : Math.abs(p.value - q.value) < SAME;

/** A figure with its unit, as it was typed. */
export const sayValue = ({ text, unit }: SheetValue): string =>
  unit === '' || /[^\d\s.,+-]/.test(text) ? text : `${text} ${unit}`;
