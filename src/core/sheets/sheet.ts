import type { LimitSource } from '../assessment';
import type { AxlePosition } from '../readings';
import { isSameValue, type SheetCode, type SheetValue } from './figures';
import { wrongOrder } from './limitFields';

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
}

/** Two names of one model, however they are spelled in capitals and spaces. */
export const sameName = (p: string, q: string): boolean => plainName(p) === plainName(q);
export const plainName = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

/** Whether a sheet is of a year; a vehicle whose year is not known may be of any. */
const isOfYear = ({ yearFrom, yearTo }: SheetKey, year: number | null): boolean =>
  year === null || ((yearFrom === 0 || year >= yearFrom) && (yearTo === 0 || year <= yearTo));

/** The sheets of a vehicle's model. */
export const sheetsOf = <Of extends SheetKey>(
  sheets: readonly Of[],
  { make, model, year, variant }: OfModel,
): Of[] =>
  make.trim() === '' || model.trim() === ''
    ? []
    : sheets.filter(
        (sheet) =>
          sameName(sheet.make, make) &&
          sameName(sheet.model, model) &&
          sameName(sheet.variant, variant) &&
          isOfYear(sheet, year),
      );

/** A figure of a model beside what stands on a vehicle. */
export interface Compared {
  readonly axle: AxlePosition;
  readonly code: SheetCode;
  readonly sheet: SheetFigure;
  readonly own: SheetValue | null;
}

/** A model's figures beside a vehicle's. */
export interface Comparison {
  /** What the vehicle lacks and the sheet says. */
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
export function compareWithSheets(
  sheets: readonly Sheet[],
  own: (axle: AxlePosition, code: SheetCode) => SheetValue | null,
): Comparison {
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
  return { missing, differs, unsure };
}

const KEYS = ['make', 'model', 'yearFrom', 'yearTo', 'axle', 'variant', 'wheel'] as const;

/** One text for the key of a sheet: alike for two spellings of one model. */
export const sheetKeyText = (key: SheetKey): string =>
  KEYS.map((name) => plainName(String(key[name]))).join('|');

/** A sheet's key in words. */
export function saySheet({
  make,
  model,
  yearFrom,
  yearTo,
  axle,
  variant,
  wheel,
}: SheetKey): string {
  const [first, last] = [yearFrom || '', yearTo || ''];
  const years = first === last ? String(first) : `${first} to ${last}`.trim();
  return [
    `${make} ${model}`,
    ...(years ? [years] : []),
    ...(variant ? [variant] : []),
    ...(wheel ? [`${wheel} wheels`] : []),
    `${axle} axle`,
  ].join(', ');
}

/** A line of what an import would do with one figure. */
export interface MergeLine {
  /** Names the figure: what is chosen for it is said by it. */
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
        id: `${sheetKeyText(key)}|${figure.code}`,
        ...{ sheet: here ?? key, code: figure.code, ours: own, theirs: figure },
        state: own === null ? 'new' : isSame ? 'same' : 'conflict',
      };
    });
  });
}

/** What thicknesses among figures cannot stand beside each other, and why. */
export const wrongOrderOf = (
  figures: readonly Pick<SheetFigure, 'code' | 'value'>[],
): ReturnType<typeof wrongOrder> =>
  wrongOrder((kind) => figures.find(({ code }) => code === kind)?.value ?? undefined);
