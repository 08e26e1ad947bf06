import type { LimitSource } from '../assessment';
import type { AxlePosition } from '../readings';
import { isSameValue, type SheetCode, type SheetValue } from './figures';
import { wrongBuild, wrongOrder } from './limitFields';

/** What a sheet is of: an axle of a model, of some years, with a variant of brakes and a kind of wheel. */
export interface SheetKey {
  readonly make: string;
  readonly model: string;
  /** First and last model year; 0 where it is of all before or since. */
  readonly yearFrom: number;
  readonly yearTo: number;
  readonly axle: AxlePosition;
  /** Brake variant; empty for the usual one. */
  readonly variant: string;
  /** The wheel that its wheel-nut torque is for; empty for any. */
  readonly wheel: '' | 'steel' | 'alloy';
}

/** A figure of a sheet with where it is from. */
export interface SheetFigure extends SheetValue {
  readonly code: SheetCode;
  readonly source: LimitSource;
}

export interface Sheet extends SheetKey {
  readonly figures: readonly SheetFigure[];
}

/** What of a vehicle says which sheets are of it. */
export interface OfModel {
  readonly make: string;
  readonly model: string;
  readonly year: number | null;
  readonly variant: string;
  /** What its wheels are made of; null or left out where nobody said. */
  readonly wheel?: 'steel' | 'alloy' | null;
}

/** Two names of one model, however they are spelled in capitals and spaces. */
export const sameName = (p: string, q: string): boolean => plainName(p) === plainName(q);
export const plainName = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

/** Whether a sheet is of a year; of a vehicle whose year is not known only one that is of all years. */
const isOfYear = ({ yearFrom, yearTo }: SheetKey, year: number | null): boolean =>
  year === null
    ? yearFrom === 0 && yearTo === 0
    : (yearFrom === 0 || year >= yearFrom) && (yearTo === 0 || year <= yearTo);

/** The sheets of a vehicle's model. */
export const sheetsOf = <Of extends SheetKey>(
  sheets: readonly Of[],
  { make, model, year, variant, wheel = null }: OfModel,
): Of[] =>
  make.trim() === '' || model.trim() === ''
    ? []
    : sheets.filter(
        (sheet) =>
          sameName(sheet.make, make) &&
          sameName(sheet.model, model) &&
          sameName(sheet.variant, variant) &&
          isOfYear(sheet, year) &&
          // Wheels that nobody said may be any: where its sheets differ, none is taken.
          (wheel === null || sheet.wheel === '' || sheet.wheel === wheel),
      );

/** What is said of a vehicle with its model: which years and brakes its sheets are of. */
export type SheetChoice = Pick<SheetKey, 'make' | 'model' | 'yearFrom' | 'yearTo' | 'variant'>;

const sayYears = ({ yearFrom, yearTo }: Pick<SheetKey, 'yearFrom' | 'yearTo'>): string => {
  const [first, last] = [yearFrom || '', yearTo || ''];
  return first === last ? String(first) : `${first} to ${last}`.trim();
};

/** A choice in words. */
export const sayChosen = ({ make, model, variant, ...years }: SheetChoice): string =>
  [`${make} ${model}`, sayYears(years), variant].filter((part) => part !== '').join(', ');

/** The sheets of a choice, front and rear. */
export const sheetsChosen = <Of extends SheetKey>(sheets: readonly Of[], one: SheetChoice): Of[] =>
  sheets.filter(
    (sheet) =>
      sameName(sheet.make, one.make) &&
      sameName(sheet.model, one.model) &&
      sameName(sheet.variant, one.variant) &&
      sheet.yearFrom === one.yearFrom &&
      sheet.yearTo === one.yearTo,
  );

/** A figure of a model beside what stands on a vehicle. */
export interface Compared {
  readonly axle: AxlePosition;
  readonly code: SheetCode;
  readonly sheet: SheetFigure;
  readonly own: SheetValue | null;
}

/** Figures that stand or fall together: sizes of one rotor, of one drum, and how an axle is built. */
const SIZES: readonly (readonly SheetCode[])[] = [
  ['nominal', 'machineTo', 'discard'],
  ['drumNominal', 'drumMachineTo', 'drumDiscard'],
];
const BUILD: readonly SheetCode[] = ['fastening', 'studs', 'places', 'caliper', 'traits'];

/**
 * Whether a figure that a vehicle lacks can be taken over beside what stands there: a size only
 * in order with the others, a build only where the sheet says how the wheel is held on and by how many.
 */
function mayBeTaken(one: Compared, lacking: readonly Compared[], own: OwnFigure): boolean {
  const ofAxle = lacking.filter(({ axle }) => axle === one.axle);
  if (BUILD.includes(one.code)) {
    const isSaid = (code: SheetCode): boolean =>
      own(one.axle, code) !== null || ofAxle.some((each) => each.code === code);
    return isSaid('fastening') && isSaid('studs');
  }
  const sizes = SIZES.find((each) => each.includes(one.code));
  if (!sizes) return true;
  const all = sizes.flatMap((code) => {
    const value =
      own(one.axle, code)?.value ?? ofAxle.find((each) => each.code === code)?.sheet.value;
    return value === undefined || value === null ? [] : [{ code, value, text: '' }];
  });
  return wrongAmong(all).length === 0;
}

/**
 * The source of a figure on a vehicle that was given it: nobody has read the stamp of this part,
 * wherever the sheet has it from.
 */
export const sourceWhenGiven = (source: LimitSource): LimitSource =>
  source === 'stamped' ? 'other' : source;

/** What stands on a vehicle of a figure, as a sheet would say it; null for nothing. */
export type OwnFigure = (axle: AxlePosition, code: SheetCode) => SheetValue | null;

/** A model's figures beside a vehicle's. */
export interface Comparison {
  /** What the vehicle lacks, the sheet says, and may stand beside what is there. */
  readonly missing: readonly Compared[];
  /** What both say, and say otherwise. */
  readonly differs: readonly Compared[];
  /** What sheets of this model say otherwise among themselves: which is right is not known. */
  readonly unsure: readonly { readonly axle: AxlePosition; readonly code: SheetCode }[];
}

/**
 * Holds a vehicle's figures against the sheets of its model. `own` answers with what stands on the
 * vehicle, or null. A figure on which several sheets differ (years or wheels that the vehicle does
 * not say) is taken from none.
 */
export function compareWithSheets(sheets: readonly Sheet[], own: OwnFigure): Comparison {
  const missing: Compared[] = [];
  const differs: Compared[] = [];
  const unsure: { axle: AxlePosition; code: SheetCode }[] = [];
  for (const axle of ['front', 'rear'] as const) {
    const figures = sheets.filter((each) => each.axle === axle).flatMap((each) => each.figures);
    for (const code of new Set(figures.map((each) => each.code))) {
      const said = figures.filter((each) => each.code === code);
      const [sheet, ...others] = said;
      if (!sheet) continue;
      const here = own(axle, code);
      if (here && said.some((each) => isSameValue(each, here))) continue;
      if (others.some((each) => !isSameValue(each, sheet))) unsure.push({ axle, code });
      else (here === null ? missing : differs).push({ axle, code, sheet, own: here });
    }
  }
  return { missing: missing.filter((one) => mayBeTaken(one, missing, own)), differs, unsure };
}

const KEYS = ['make', 'model', 'yearFrom', 'yearTo', 'axle', 'variant', 'wheel'] as const;

/** One text for the key of a sheet: alike for two spellings of one model. */
export const sheetKeyText = (key: SheetKey): string =>
  KEYS.map((name) => plainName(String(key[name]))).join('|');

/** A sheet's key in words. */
export const saySheet = ({ axle, wheel, ...chosen }: SheetKey): string =>
  [sayChosen(chosen), ...(wheel ? [`${wheel} wheels`] : []), `${axle} axle`].join(', ');

/** A line of what an import would do with one figure. */
export interface MergeLine {
  /**
   * Names the figure and what of ours it would replace: what is chosen of a figure that was changed
   * here since is chosen of nothing.
   */
  readonly id: string;
  readonly sheet: SheetKey;
  readonly code: SheetCode;
  readonly state: 'new' | 'same' | 'conflict';
  readonly ours: SheetFigure | null;
  readonly theirs: SheetFigure;
}

/** Holds sheets that come in against those that stand: figure by figure new, the same, or otherwise. */
export function mergeSheets(ours: readonly Sheet[], theirs: readonly Sheet[]): MergeLine[] {
  const standing = new Map(ours.map((sheet) => [sheetKeyText(sheet), sheet]));
  return theirs.flatMap(({ figures, ...key }) => {
    const here = standing.get(sheetKeyText(key));
    return figures.map((figure): MergeLine => {
      const own = here?.figures.find(({ code }) => code === figure.code) ?? null;
      const isSame = own !== null && isSameValue(own, figure) && own.source === figure.source;
      return {
        id: [sheetKeyText(key), figure.code, own?.text ?? '', own?.source ?? ''].join('|'),
        ...{ sheet: here ?? key, code: figure.code, ours: own, theirs: figure },
        state: own === null ? 'new' : isSame ? 'same' : 'conflict',
      };
    });
  });
}

/** What among figures cannot stand beside the rest, and why: thicknesses out of order, an odd build. */
export function wrongAmong(
  figures: readonly Pick<SheetFigure, 'code' | 'value' | 'text'>[],
): { readonly code: SheetCode; readonly message: string }[] {
  const of = (code: SheetCode) => figures.find((each) => each.code === code);
  const traits = of('traits')?.text.split(' ') ?? [];
  return [
    ...wrongOrder((kind) => of(kind)?.value ?? undefined).map(({ kind, message }) => ({
      code: kind,
      message,
    })),
    ...wrongBuild({ traits, places: of('places')?.text, caliper: of('caliper')?.text }).map(
      ({ what, message }) => ({ code: what, message }),
    ),
  ];
}
