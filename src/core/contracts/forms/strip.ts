import { z } from 'zod';
import { FATES, FIGURE_KINDS } from '../../procedure';
import { EXTRAS } from '../../options';
import { CORNERS, LENGTH_KINDS, readTyped, type LengthKind } from '../../readings';
import type { LengthUnit } from '../../units';
import { PAD_FAMILIES } from '../../wear';
import { PROCEDURE } from '../procedure';
import { idSchema } from './common';
import { REBUILD_KINDS } from './rebuild';

const codesOf = (list: readonly { readonly code: string }[]): [string, ...string[]] => {
  const [first = '', ...rest] = list.map(({ code }) => code);
  return [first, ...rest];
};

/** A length as typed, its unit by default; what cannot be is refused in words. */
const typedFigure = (kind: LengthKind) =>
  z
    .strictObject({
      text: z.string().trim().min(1).max(60),
      unit: z.enum(['um', 'mm', 'thou', 'in']),
    })
    .transform(({ text, unit }, context) => {
      const read = readTyped(text, unit satisfies LengthUnit, kind);
      if (!read.ok) {
        context.addIssue({ code: 'custom', message: read.message });
        return z.NEVER;
      }
      return { text: read.length.text, unit: read.length.unit, um: read.length.value as number };
    });

const figureSchema = (item: string) =>
  typedFigure(FIGURE_KINDS[PROCEDURE.figures.find(({ code }) => code === item)?.of ?? 'amount']);

/** What is entered to decide: repairs and parts beside the rotor, scores, the pads' family. */
const decideSchema = (item: string) => {
  if (item === 'extras') return z.array(z.enum(EXTRAS)).max(EXTRAS.length);
  if (item === 'pad-family') return z.enum(PAD_FAMILIES);
  return typedFigure(LENGTH_KINDS.amount);
};
export const DECIDE_ITEMS = ['extras', 'pad-family', 'score-outboard', 'score-inboard', 'clean-up'];

const sentSchema = z.strictObject({
  to: z.string().trim().min(1, 'Say where it goes.').max(100),
  mark: z.string().trim().min(1, 'Say how it is marked.').max(100),
});
export type Sent = z.output<typeof sentSchema>;
/** What was written of a rotor that is sent out, or null. */
export const readSent = (value: unknown): Sent | null => sentSchema.safeParse(value).data ?? null;

/** Steps of a correction: ticks, the thickness measured afterwards, a rotor sent out and back. */
const correctSchema = (item: string) => {
  if (item === 'sent') return sentSchema;
  if (item === 'finished' || item === 'returned') return typedFigure(LENGTH_KINDS.thickness);
  return z.literal('done');
};
export const CORRECT_ITEMS = [
  'done',
  'maker-allows',
  'threads',
  'washed',
  'finished',
  'sent',
  'identity',
  'returned',
];

const lookSchema = (item: string) => {
  const conditions = PROCEDURE.items.find(({ code }) => code === item)?.conditions ?? [];
  return z
    .array(z.enum(codesOf(conditions)))
    .max(20)
    .transform((found) =>
      conditions.map(({ code }) => code).filter((code) => found.includes(code)),
    );
};

const WAITING_LINE = z.string().trim().min(1, 'Say it in a word or two.').max(300);

export const waitingSchema = z.strictObject({
  /** What is missing or wrong. */
  missing: WAITING_LINE,
  /** What is off the vehicle. */
  off: WAITING_LINE,
  /** Where the parts are, and how they are tagged. */
  tagged: WAITING_LINE,
});
export type Waiting = z.output<typeof waitingSchema>;

interface Kind {
  readonly places: readonly string[];
  readonly items: readonly string[];
  readonly value: (item: string) => z.ZodType;
  readonly needsReason: (value: unknown) => boolean;
  /** Items that stand at a corner where the others stand for the whole job. */
  readonly cornerItems?: readonly string[];
}

/** Kinds of checks: where each stands, its items, and what it can say. */
const KINDS = {
  lifting: {
    places: [''],
    items: codesOf(PROCEDURE.lifting),
    value: () => z.enum(['done', 'skipped']),
    needsReason: (value: unknown) => value === 'skipped',
  },
  step: {
    places: CORNERS,
    items: codesOf(PROCEDURE.steps),
    value: () => z.enum(['done', 'left-out']),
    needsReason: (value: unknown) => value === 'left-out',
  },
  parts: {
    places: ['front', 'rear'],
    items: ['none', ...codesOf(PROCEDURE.rightParts)],
    value: () => z.enum(['right', 'wrong', 'missing']),
    needsReason: () => false,
  },
  look: {
    places: CORNERS,
    items: codesOf(PROCEDURE.items),
    value: lookSchema,
    needsReason: () => false,
  },
  figure: {
    places: CORNERS,
    items: codesOf(PROCEDURE.figures),
    value: figureSchema,
    needsReason: () => false,
  },
  method: {
    places: CORNERS,
    items: ['retraction'],
    value: () => z.enum(codesOf(PROCEDURE.retractions)),
    needsReason: () => false,
  },
  rule: {
    places: [''],
    items: codesOf(PROCEDURE.rules),
    value: (item: string) =>
      z.enum(codesOf(PROCEDURE.rules.find(({ code }) => code === item)?.schools ?? [])),
    needsReason: () => true,
  },
  fixed: {
    places: CORNERS,
    items: codesOf(PROCEDURE.items),
    value: () => z.literal('fixed'),
    needsReason: () => true,
  },
  decide: {
    places: CORNERS,
    items: DECIDE_ITEMS,
    value: decideSchema,
    needsReason: () => false,
  },
  correct: {
    places: CORNERS,
    items: CORRECT_ITEMS,
    value: correctSchema,
    needsReason: () => false,
  },
  waiting: {
    places: [''],
    items: ['waiting'],
    value: () => waitingSchema,
    needsReason: () => false,
  },
  ...REBUILD_KINDS,
} as const satisfies Record<string, Kind>;

export type CheckKind = keyof typeof KINDS;
export const CHECK_KINDS = Object.keys(KINDS) as [CheckKind, ...CheckKind[]];

/** A check as it is sent; a null value takes it back. `seen` is the stamp that was on the screen. */
const envelope = z.strictObject({
  jobId: idSchema,
  kind: z.enum(CHECK_KINDS),
  place: z.string().max(10),
  item: z.string().max(40),
  value: z.unknown(),
  note: z.string().trim().max(300).nullable(),
  seen: z.uuid().nullable(),
});

export const checkFormSchema = envelope.transform((form, context) => {
  const { places, items, value, needsReason, cornerItems }: Kind = KINDS[form.kind];
  const complain = (path: string, message: string): never => {
    context.addIssue({ code: 'custom', path: [path], message });
    return z.NEVER;
  };
  const isAtPlace =
    cornerItems === undefined || cornerItems.includes(form.item) === (form.place !== '');
  if (!places.includes(form.place) || !isAtPlace) {
    return complain('place', 'This does not belong to that place.');
  }
  if (!items.includes(form.item)) {
    return complain('item', 'This item is not part of the procedure.');
  }
  if (form.value === null) return { ...form, note: null, value: null };
  const parsed = value(form.item).safeParse(form.value);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) {
      context.addIssue({ code: 'custom', path: ['value', ...issue.path], message: issue.message });
    }
    return z.NEVER;
  }
  if (needsReason(parsed.data) && !form.note) return complain('note', 'Say why, in a few words.');
  return { ...form, note: form.note === '' ? null : form.note, value: parsed.data as unknown };
});
export type CheckForm = z.input<typeof checkFormSchema>;

const line = (name: string, longest: number) =>
  z.string().trim().max(longest, `${name} can have at most ${longest} characters.`);

/** A part as it goes into the tray. */
export const trayPartSchema = z.strictObject({
  jobId: idSchema,
  corner: z.enum(CORNERS),
  kind: z.enum(codesOf(PROCEDURE.parts)).nullable(),
  name: line('The name', 60).min(1, 'Name the part.'),
  place: line('The place', 80),
  orientation: line('How it sat', 120),
  mark: line('The mark', 120),
  fate: z.enum(FATES),
});
export type TrayPartForm = z.input<typeof trayPartSchema>;

const trayLines = trayPartSchema
  .pick({ place: true, orientation: true, mark: true, fate: true })
  .partial();

/** A change of lines of a part in the tray, with what was seen of each. */
export const trayChangeSchema = z
  .strictObject({ partId: idSchema, was: trayLines, change: trayLines })
  .refine(({ was, change }) => Object.keys(change).every((line) => line in was), {
    message: 'Say what was seen of each line that changes.',
  })
  .refine(({ change }) => Object.keys(change).length > 0, { message: 'Nothing changes.' });
export type TrayChangeForm = z.input<typeof trayChangeSchema>;

export const personSchema = z.strictObject({
  name: line('The name', 40).min(1, 'Enter the name.'),
  role: z.enum(['lead', 'technician', 'apprentice']),
  /** Short for the name; made from it where left empty. */
  initials: line('The initials', 4).default(''),
});
export type PersonForm = z.input<typeof personSchema>;
