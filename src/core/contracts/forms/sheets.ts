import { z } from 'zod';
import { LIMIT_SOURCES } from '../../assessment';
import { AXLE_POSITIONS } from '../../readings';
import {
  isModelYear,
  readValue,
  SHEET_CODES,
  sheetKind,
  wrongAmong,
  type SheetCode,
  type SheetFigure,
  type SheetUnits,
} from '../../sheets';
import { idSchema } from './common';

const name = (what: string) =>
  z.string().trim().min(1, `Write the ${what}.`).max(60, 'At most 60 characters.');

/** A first or last model year; empty, and 0, where it is open. */
const openYear = z
  .string()
  .trim()
  .transform((text) => (text === '' ? 0 : Number(text)))
  .refine(
    (year) => year === 0 || isModelYear(year),
    'Write the year like 2019, or leave it empty.',
  );

/** A figure of a sheet as typed; empty where the sheet does not say it. */
const figureSchema = z.strictObject({
  text: z.string().max(200, 'That is too long for one figure.'),
  source: z.enum(LIMIT_SOURCES),
});

type Typed = Partial<Record<SheetCode, z.infer<typeof figureSchema>>>;

/** The figures that are filled; what one of them cannot be, or not beside another, is complained of. */
function readFigures(
  typed: Typed,
  units: SheetUnits,
  complain: (code: SheetCode, message: string) => void,
): SheetFigure[] {
  const figures = SHEET_CODES.flatMap((code): SheetFigure[] => {
    const own = typed[code];
    if (!own || own.text.trim() === '') return [];
    const read = readValue(sheetKind(code), own.text, units);
    if (read.ok) return [{ ...read.value, code, source: own.source }];
    complain(code, read.message);
    return [];
  });
  for (const { code, message } of wrongAmong(figures)) complain(code, message);
  return figures;
}

/** A model's sheet as the form sends it, each figure with its source; bare figures in the shop's units. */
export const sheetFormSchema = (units: SheetUnits) =>
  z
    .strictObject({
      make: name('make'),
      model: name('model'),
      yearFrom: openYear,
      yearTo: openYear,
      axle: z.enum(AXLE_POSITIONS),
      variant: z.string().trim().max(60, 'At most 60 characters.'),
      wheel: z.enum(['', 'steel', 'alloy']),
      figures: z.partialRecord(z.enum(SHEET_CODES), figureSchema),
    })
    .superRefine(({ yearFrom, yearTo }, context) => {
      if (yearFrom === 0 || yearTo === 0 || yearTo >= yearFrom) return;
      context.addIssue({
        code: 'custom',
        message: 'The last year is before the first.',
        path: ['yearTo'],
      });
    })
    .transform(({ figures, ...key }, context) => {
      const read = readFigures(figures, units, (code, message) =>
        context.addIssue({ code: 'custom', message, path: ['figures', code, 'text'] }),
      );
      return { key, figures: read };
    });
export type SheetForm = z.input<ReturnType<typeof sheetFormSchema>>;

/** A spreadsheet of sheets that comes in, and which of the figures that differ are taken over ours. */
export const sheetsInSchema = z.strictObject({
  text: z.string().max(4_000_000, 'At most 4 MB are read at once.'),
  take: z.array(z.string().max(700)).max(200_000),
});
export type SheetsIn = z.input<typeof sheetsInSchema>;

/** What a vehicle is, where it is not said yet; its model's sheets give it what it lacks. */
export const sheetTakeSchema = z.strictObject({
  vehicleId: idSchema,
  make: name('make'),
  model: name('model'),
  /** Years and brakes, where they are said with the model. */
  of: z
    .strictObject({
      yearFrom: z.int().min(0).max(2100),
      yearTo: z.int().min(0).max(2100),
      variant: z.string().trim().max(60),
    })
    .optional(),
});
export type SheetTake = z.input<typeof sheetTakeSchema>;
