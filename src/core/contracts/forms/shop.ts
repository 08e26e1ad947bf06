import { z } from 'zod';
import { NEW_SHOP, PRICE_ITEMS, type PriceItem, type Shop } from '../../options';
import { LENGTH_KINDS, readTyped, type LengthKind } from '../../readings';
import { exactNumber, fieldUnit, type UnitSystem } from '../../units';
import { PAD_FAMILIES, type PadFamily } from '../../wear';

/** Most that a price, a rate or a time can be: beyond it a slip of the hand. */
const MOST = 100_000;

/** A plain figure with a decimal point or comma; empty is not known. */
const amount = z
  .string()
  .trim()
  .transform((text, context) => {
    if (text === '') return null;
    const value = /^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN;
    if (Number.isFinite(value) && value <= MOST) return value;
    const message = `Write a figure from 0 to ${MOST.toLocaleString('en')}, or leave it empty.`;
    context.addIssue({ code: 'custom', message });
    return z.NEVER;
  });

const priceSchema = z.strictObject({ parts: amount, minutes: amount, away: amount });

const lengthSchema = (kind: LengthKind, units: UnitSystem, role: 'deviation' | 'size') =>
  z.string().transform((text, context) => {
    const read = readTyped(text, fieldUnit(units, role), kind);
    if (read.ok) return read.length.value;
    context.addIssue({ code: 'custom', message: read.message });
    return z.NEVER;
  });

const maybe = <Schema extends z.ZodType<number, string>>(schema: Schema) =>
  z.union([z.literal('').transform(() => null), schema]);

const itemsSchema = z.strictObject(
  Object.fromEntries(PRICE_ITEMS.map((item) => [item, priceSchema])) as Record<
    PriceItem,
    typeof priceSchema
  >,
);

/** The shop's list and equipment as the form sends them; lengths in the shop's units. */
export const shopFormSchema = (units: UnitSystem) => {
  const dev = (kind: LengthKind) => lengthSchema(kind, units, 'deviation');
  const size = (kind: LengthKind) => lengthSchema(kind, units, 'size');
  return z.strictObject({
    currency: z.string().trim().max(12, 'At most 12 letters.'),
    hourly: amount,
    comeback: amount,
    items: itemsSchema,
    bench: z.enum(['own', 'sent-out', 'none']),
    onVehicle: z.enum(['own', 'none']),
    arborError: dev(LENGTH_KINDS.spread),
    residual: dev(LENGTH_KINDS.spread),
    newRotorTolerance: dev(LENGTH_KINDS.limit),
    sideToSide: dev(LENGTH_KINDS.limit),
    /** Corrections of the plates at hand, with commas or semicolons between; may be empty. */
    plates: z.string().transform((text, context) => {
      const list = text
        .split(/;|,\s|\s{2,}|\n/)
        .map((each) => each.trim())
        .filter((each) => each !== '');
      const read = list.map((each) =>
        readTyped(each, fieldUnit(units, 'deviation'), LENGTH_KINDS.limit),
      );
      const wrong = read.find((each) => !each.ok);
      if (wrong && !wrong.ok) {
        context.addIssue({ code: 'custom', message: wrong.message });
        return z.NEVER;
      }
      if (list.length > 20) {
        context.addIssue({ code: 'custom', message: 'At most 20 plates.' });
        return z.NEVER;
      }
      return read.flatMap((each) => (each.ok ? [each.length.value] : []));
    }),
    referenceRadius: size(LENGTH_KINDS.radius),
    padFamily: z.enum(PAD_FAMILIES as readonly [PadFamily, ...PadFamily[]]),
    padNew: maybe(size(LENGTH_KINDS.pad)),
    padMinimum: maybe(size(LENGTH_KINDS.pad)),
    padWear: maybe(size(LENGTH_KINDS.pad)),
  });
};
export type ShopForm = z.input<ReturnType<typeof shopFormSchema>>;
export type ShopData = z.output<ReturnType<typeof shopFormSchema>>;

/** What the form says as the shop has it. */
export const shopOf = (data: ShopData): Shop => ({
  prices: {
    currency: data.currency,
    hourly: data.hourly,
    comeback: data.comeback,
    items: data.items,
  },
  equipment: {
    bench: data.bench,
    onVehicle: data.onVehicle,
    arborError: data.arborError,
    residual: data.residual,
    newRotorTolerance: data.newRotorTolerance,
    plates: { corrections: data.plates, referenceRadius: data.referenceRadius },
    sideToSide: data.sideToSide,
    padFamily: data.padFamily,
    padNew: data.padNew,
    padMinimum: data.padMinimum,
    padWear: data.padWear,
  },
});

/** The shop as its form shows it. */
export function formOfShop({ prices, equipment }: Shop, units: UnitSystem): ShopForm {
  const dev = (um: number): string => exactNumber(um, fieldUnit(units, 'deviation'));
  const size = (um: number | null): string =>
    um === null ? '' : exactNumber(um, fieldUnit(units, 'size'));
  const plain = (value: number | null): string => (value === null ? '' : String(value));
  return {
    currency: prices.currency,
    hourly: plain(prices.hourly),
    comeback: plain(prices.comeback),
    items: Object.fromEntries(
      PRICE_ITEMS.map((item) => {
        const { parts, minutes, away } = prices.items[item];
        return [item, { parts: plain(parts), minutes: plain(minutes), away: plain(away) }];
      }),
    ) as ShopForm['items'],
    bench: equipment.bench,
    onVehicle: equipment.onVehicle,
    arborError: dev(equipment.arborError),
    residual: dev(equipment.residual),
    newRotorTolerance: dev(equipment.newRotorTolerance),
    sideToSide: dev(equipment.sideToSide),
    plates: equipment.plates.corrections.map(dev).join('; '),
    referenceRadius: size(equipment.plates.referenceRadius),
    padFamily: equipment.padFamily,
    padNew: size(equipment.padNew),
    padMinimum: size(equipment.padMinimum),
    padWear: size(equipment.padWear),
  };
}

const figure = z.number().nonnegative();
const storedPrice = z.strictObject({
  parts: figure.nullable(),
  minutes: figure.nullable(),
  away: figure.nullable(),
});
const storedShop = z.strictObject({
  prices: z.strictObject({
    currency: z.string(),
    hourly: figure.nullable(),
    comeback: figure.nullable(),
    // A list that was kept before an item was added does not say what that costs.
    items: z
      .partialRecord(z.enum(PRICE_ITEMS), storedPrice)
      .transform((items) => ({ ...NEW_SHOP.prices.items, ...items })),
  }),
  equipment: z.strictObject({
    bench: z.enum(['own', 'sent-out', 'none']),
    onVehicle: z.enum(['own', 'none']),
    arborError: figure,
    residual: figure,
    newRotorTolerance: figure,
    plates: z.strictObject({ corrections: z.array(figure), referenceRadius: figure }),
    sideToSide: figure,
    padFamily: z.enum(PAD_FAMILIES as readonly [PadFamily, ...PadFamily[]]),
    padNew: figure.nullable(),
    padMinimum: figure.nullable(),
    padWear: figure.nullable(),
  }),
});

/** The shop as stored; one that has entered nothing where nothing, or nothing sound, is there. */
export const readShop = (stored: unknown): Shop => storedShop.safeParse(stored).data ?? NEW_SHOP;
