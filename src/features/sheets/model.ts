import type { SheetForm } from '@/core/contracts';
import {
  sayValue,
  SHEET_KINDS,
  sheetKind,
  type SheetCode,
  type SheetFigure,
  type SheetValue,
} from '@/core/sheets';
import { TRAIT_NAME, type Trait } from '@/core/procedure';

const WORDS: Readonly<Record<string, string>> = {
  any: 'at any stud or hole',
  'as-found': 'in one place only',
  floating: 'floating (slides on pins)',
  fixed: 'fixed (pistons on both sides)',
};

/** A word of a choice as people say it. */
export const sayChoice = (word: string): string => WORDS[word] ?? TRAIT_NAME[word as Trait] ?? word;

/** A figure of a sheet in words. */
export const sayFigure = (code: SheetCode, value: SheetValue): string =>
  sheetKind(code).manner.as === 'several'
    ? value.text.split(' ').map(sayChoice).join(', ')
    : value.value === null
      ? sayChoice(value.text)
      : sayValue(value);

interface StoredSheet extends Omit<SheetForm, 'figures' | 'yearFrom' | 'yearTo'> {
  readonly yearFrom: number;
  readonly yearTo: number;
  readonly figures: readonly SheetFigure[];
}

/** The form of a sheet on file, or an empty one. */
export function sheetForm(sheet: StoredSheet | null): SheetForm {
  const year = (value: number | undefined): string => (value ? String(value) : '');
  return {
    make: sheet?.make ?? '',
    model: sheet?.model ?? '',
    yearFrom: year(sheet?.yearFrom),
    yearTo: year(sheet?.yearTo),
    axle: sheet?.axle ?? 'front',
    variant: sheet?.variant ?? '',
    wheel: sheet?.wheel ?? '',
    figures: Object.fromEntries(
      SHEET_KINDS.map(({ code }) => {
        const own = sheet?.figures.find((each) => each.code === code);
        return [code, { text: own ? sayValue(own) : '', source: own?.source ?? 'maker' }];
      }),
    ),
  };
}
