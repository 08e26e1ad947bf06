import { z } from 'zod';
import { LIMIT_SOURCES } from '../../assessment';
import { BEDDING_SCHOOLS, HARDNESS, type Hardness } from '../../bedding';
import { AXLE_POSITIONS, CORNERS } from '../../readings';
import { FASTENER_CODES } from '../../torque';
import { parseTorque, TORQUE_UNITS } from '../../units';
import { PROCEDURE } from '../procedure';
import { filledLine, idSchema } from './common';

/** A torque as typed; what cannot be is refused in words. */
const typedTorque = z
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

const storedTorque = z.object({
  text: z.string(),
  unit: z.enum(TORQUE_UNITS),
  nm: z.number().positive(),
  confirmed: z.boolean().default(false),
});
export type StoredTorque = z.output<typeof storedTorque>;
/** A torque that was pulled, as stored, or null. */
export const readTorque = (value: unknown): StoredTorque | null =>
  storedTorque.safeParse(value).data ?? null;

const starSchema = z.strictObject({
  /** Pulls in the order of the star: what the wrench read in N·m, null where it was only tapped. */
  pulls: z.array(z.number().positive().max(1500).nullable()).max(40),
});
/** The pulls of a wheel as stored; none where nothing was. */
export const readPulls = (value: unknown): readonly (number | null)[] =>
  starSchema.safeParse(value).data?.pulls ?? [];

const done = z.literal('done');
const doneOrNot = z.enum(['done', 'left-out']);
const isLeftOut = (value: unknown): boolean => value === 'left-out';
const stepCodes = (list: readonly { readonly code: string }[]): string[] =>
  list.map(({ code }) => code);

export const BLEED_METHODS = ['gravity', 'pedal', 'pressure'] as const;
export type BleedMethod = (typeof BLEED_METHODS)[number];

function torqueValue(item: string): z.ZodType {
  if (item === 'star') return starSchema;
  return item === 'vehicle-down' ? done : typedTorque;
}

function hydraulicsValue(item: string): z.ZodType {
  if (item === 'method') return z.enum(BLEED_METHODS);
  return item === 'bled'
    ? doneOrNot
    : ['none-opened', 'opened', 'hose-off'].includes(item)
      ? done
      : doneOrNot;
}

function pedalValue(item: string): z.ZodType {
  if (item === 'held') return z.enum(['held', 'sank']);
  return item === 'turns' ? z.enum(['free', 'drags']) : done;
}

const feelWord = z.int().min(0).max(4);
const feelSchema = z.strictObject({ wheel: feelWord, pedal: feelWord, seat: feelWord });
/** How a drive felt as stored, or null. */
export const readFeel = (value: unknown): z.output<typeof feelSchema> | null =>
  feelSchema.safeParse(value).data ?? null;

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
const planSchema = z.strictObject({
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
/** A bedding-in plan as stored, or null. */
export const readPlan = (value: unknown): BeddingPlan | null =>
  planSchema.safeParse(value).data ?? null;

const beddingDone = z.strictObject({ stops: z.int().min(0).max(600) });
/** Stops that were driven, as stored, or null. */
export const readDriven = (value: unknown): number | null =>
  beddingDone.safeParse(value).data?.stops ?? null;

function beddingValue(item: string): z.ZodType {
  if (item === 'plan') return planSchema;
  return item === 'driven' ? beddingDone : done;
}

/** The kinds of checks of the rebuild and the proof. */
export const REBUILD_KINDS = {
  rebuild: {
    places: CORNERS,
    items: stepCodes(PROCEDURE.rebuild),
    value: () => doneOrNot,
    needsReason: isLeftOut,
  },
  torque: {
    places: CORNERS,
    items: [...FASTENER_CODES, 'star', 'vehicle-down'],
    value: torqueValue,
    needsReason: () => false,
  },
  hydraulics: {
    places: ['', ...CORNERS],
    items: [
      'none-opened',
      'opened',
      'hose-off',
      'method',
      'bled',
      ...stepCodes(PROCEDURE.hydraulics),
    ],
    value: hydraulicsValue,
    needsReason: isLeftOut,
    cornerItems: ['bled'],
  },
  pedal: {
    places: ['', ...CORNERS],
    items: ['none-moved', 'firm', 'hold', 'held', 'level', 'moved', 'first-stop', 'turns'],
    value: pedalValue,
    needsReason: () => false,
    cornerItems: ['turns'],
  },
  bedding: {
    places: [''],
    items: ['plan', 'driven', 'told'],
    value: beddingValue,
    needsReason: () => false,
  },
  prove: {
    places: [''],
    items: ['feel-before', 'feel-after'],
    value: () => feelSchema,
    needsReason: () => false,
  },
} as const;

/** A torque figure as it is entered for a vehicle's like. */
export const torqueFigureSchema = z.strictObject({
  jobId: idSchema,
  axle: z.enum(AXLE_POSITIONS),
  fastener: z.enum(FASTENER_CODES),
  figure: typedTorque,
  source: z.enum(LIMIT_SOURCES, 'Say where the figure is from.'),
  /** Degrees turned on after the last stage. */
  angle: z.int().min(0).max(360, 'At most one turn.'),
  treatment: z.string().trim().max(80, 'At most 80 characters.'),
  oneUse: z.boolean(),
});
export type TorqueFigureForm = z.input<typeof torqueFigureSchema>;

/** The order that a vehicle is bled in, corners with spaces between, and its source. */
export const bleedOrderSchema = z.strictObject({
  jobId: idSchema,
  order: z
    .string()
    .trim()
    .toUpperCase()
    .transform((text) => text.split(/[\s,;>→-]+/).filter((each) => each !== ''))
    .pipe(z.array(z.enum(CORNERS, 'Write corners like RR RL FR FL.')).min(1, 'Write the order.'))
    .refine((list) => new Set(list).size === list.length, 'A corner stands twice.'),
  source: z.enum(LIMIT_SOURCES, 'Say where the order is from.'),
});

/** What the lead signs a job off with. */
export const signOffSchema = z.strictObject({
  jobId: idSchema,
  /** The cause that the work confirmed; null leaves it open. */
  cause: z.string().max(40).nullable(),
  /** Why it is signed with what is open; needed where something is. */
  reason: z.string().trim().max(500),
});

export const additionSchema = z.strictObject({
  jobId: idSchema,
  text: filledLine('addition', 1000),
});

/** Something to be looked at again: after a distance from now, by a day, or both. */
export const recheckSchema = z
  .strictObject({
    jobId: idSchema,
    what: z.enum(['wheel-nuts', 'thickness', 'runout']),
    /** Distance from the job's odometer, in km. */
    afterKm: z.int('Write whole km.').min(1).max(100_000).nullable(),
    on: z.iso.date('Write a date.').nullable(),
  })
  .refine(({ afterKm, on }) => afterKm !== null || on !== null, {
    message: 'Give a distance or a date.',
    path: ['afterKm'],
  });
export type RecheckForm = z.input<typeof recheckSchema>;
