import { z } from 'zod';
import { BEDDING_SCHOOLS, HARDNESS, type Hardness } from '../../bedding';
import { readTyped, type LengthKind } from '../../readings';
import { readFigures, SIGNS, type WheelItem } from '../../wheels';
import { parseTorque, TORQUE_UNITS, type LengthUnit, type Micrometres } from '../../units';

/** A length as typed, its unit by default; what cannot be is refused in words. */
export const typedFigure = (kind: LengthKind) =>
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
      return { text: read.length.text, unit: read.length.unit as string, um: read.length.value };
    });

/** A length as stored: text and unit as typed, beside its value. */
export const storedFigure = z.object({
  text: z.string(),
  unit: z.string(),
  um: z.number().transform((um) => um as Micrometres),
});

/** Figures of a wheel as typed; what cannot be is refused in words. */
export const typedWheelFigures = ({ quantity, count }: WheelItem) =>
  z
    .strictObject({ text: z.string().trim().min(1).max(120), unit: z.enum(SIGNS) })
    .transform(({ text, unit }, context) => {
      const read = readFigures(text, quantity, unit, count);
      if (!read.ok) {
        context.addIssue({ code: 'custom', message: read.message });
        return z.NEVER;
      }
      return { text: read.text, unit: read.unit, figures: [...read.figures] };
    });

/** Figures of a wheel as stored: as typed, beside their values in the unit they are kept in. */
export const storedWheelFigures = z.object({
  text: z.string(),
  unit: z.string(),
  figures: z.array(z.number()).min(1),
});
export type StoredWheelFigures = z.output<typeof storedWheelFigures>;

/** A torque as typed; what cannot be is refused in words. */
export const typedTorque = z
  .strictObject({
    text: z.string().trim().min(1, 'Type the torque.').max(40),
    unit: z.enum(TORQUE_UNITS),
    /** Said twice, where the figure was challenged. */
    confirmed: z.boolean().default(false),
  })
  .transform(({ text, unit, confirmed }, context) => {
    const read = parseTorque(text, unit);
    if (!read.ok) {
      context.addIssue({ code: 'custom', message: read.message });
      return z.NEVER;
    }
    const { torque } = read;
    return { text: torque.text, unit: torque.unit, nm: torque.value as number, confirmed };
  });

export const storedTorque = z.object({
  text: z.string(),
  unit: z.enum(TORQUE_UNITS),
  nm: z.number().positive(),
  confirmed: z.boolean().default(false),
});
export type StoredTorque = z.output<typeof storedTorque>;

export const starSchema = z.strictObject({
  /** Pulls in the order of the star: what the wrench read in N·m, null where it was only tapped. */
  pulls: z.array(z.number().positive().max(1500).nullable()).max(40),
});

/** What the owner agreed to: in which words, up to which amount, and how it was said. */
export const approvalSchema = z.strictObject({
  how: z.enum(['tablet', 'telephone']),
  /** Who agreed. */
  name: z.string().trim().min(1, 'Who agreed?').max(80, 'At most 80 characters.'),
  /** What was chosen, in the words of the estimate. */
  chosen: z.string().trim().min(1, 'What was chosen?').max(400),
  upTo: z
    .number('Write the amount in figures.')
    .min(0, 'Not below 0.')
    .max(1_000_000, 'Is that so much?'),
  currency: z.string().max(12),
});
export type Approval = z.output<typeof approvalSchema>;

/** How long the shop stands for its work, whichever ends first; neither is no promise. */
export const guaranteeSchema = z
  .strictObject({
    months: z.int('Whole months.').min(1, 'At least a month.').max(120, 'At most 120.').nullable(),
    km: z.int('Whole km.').min(100, 'At least 100 km.').max(500_000, 'At most 500,000.').nullable(),
  })
  .refine(({ months, km }) => months !== null || km !== null, 'Say how long, in months or km.');
export type Guarantee = z.output<typeof guaranteeSchema>;

export const PART_STATES = ['asked', 'ordered', 'here', 'wrong'] as const;
export type PartState = (typeof PART_STATES)[number];

/** How a part that the work needs stands, with the shop’s own number and supplier. */
export const partSchema = z.strictObject({
  state: z.enum(PART_STATES),
  number: z.string().trim().max(60, 'At most 60 characters.'),
  supplier: z.string().trim().max(60, 'At most 60 characters.'),
});
export type PartOrder = z.output<typeof partSchema>;

export const done = z.literal('done');
export const doneOrNot = z.enum(['done', 'left-out']);

export const BLEED_METHODS = ['gravity', 'pedal', 'pressure'] as const;
export type BleedMethod = (typeof BLEED_METHODS)[number];

const feelWord = z.int().min(0).max(4);
export const feelSchema = z.strictObject({ wheel: feelWord, pedal: feelWord, seat: feelWord });

const HARD = Object.keys(HARDNESS) as [Hardness, ...Hardness[]];
const groupSchema = z
  .strictObject({
    stops: z.int('Stops are whole.').min(1, 'At least one stop.').max(50, 'At most 50 stops.'),
    from: z.number().min(10, 'From 10 km/h on.').max(250, 'At most 250 km/h.'),
    to: z.number().min(0, 'Not below 0.').max(200, 'At most 200 km/h.'),
    hard: z.enum(HARD),
    spacing: z.number().min(5, 'At least 5 s.').max(3600, 'At most an hour.'),
  })
  .refine(({ from, to }) => to < from, {
    message: 'A stop ends slower than it begins.',
    path: ['to'],
  });

export const programmeSchema = z.strictObject({
  groups: z.array(groupSchema).max(12, 'At most twelve groups of stops.'),
  coolMinutes: z.number().min(0).max(120, 'At most two hours.'),
  gentleKm: z.number().min(0).max(2000, 'At most 2000 km.'),
  note: z.string().trim().max(500, 'At most 500 characters.'),
});

const figure = (low: number, high: number) => z.number().min(low).max(high).nullable();
export const planSchema = z.strictObject({
  school: z.enum(BEDDING_SCHOOLS),
  programme: programmeSchema,
  heat: z.strictObject({
    vehicleKg: figure(300, 40_000),
    rotorKg: figure(1, 60),
    share: z.number().min(0.1).max(0.9),
    ambient: z.number().min(-40).max(55),
    tau: z.number().min(30).max(3600),
    ceiling: z.number().min(80).max(800),
  }),
});
export type BeddingPlan = z.output<typeof planSchema>;

/** How many stops were driven. */
export const drivenSchema = z.strictObject({ stops: z.int().min(0).max(600) });

/** A rotor that is sent out: where to, and how it is marked. */
export const sentSchema = z.strictObject({
  to: z.string().trim().min(1, 'Say where it goes.').max(100),
  mark: z.string().trim().min(1, 'Say how it is marked.').max(100),
});
export type Sent = z.output<typeof sentSchema>;

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

/** What was done at a corner before it was decided otherwise. */
export const earlierSchema = z.array(
  z.object({
    words: z.string(),
    by: z.string().nullable().default(null),
    at: z.string().default(''),
    /** What was done, and where in the order of writing; missing in what was written before. */
    correction: z.string().optional(),
    /** The seat that it was moved to; null where it was not moved. */
    shift: z.number().nullable().optional(),
    seq: z.number().optional(),
  }),
);
