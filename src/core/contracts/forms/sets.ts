import { z } from 'zod';
import { LONGEST_TABLE } from '../../exchange';
import { fittableOrders } from '../../harmonics';
import { PREPARATION_IDS } from '../../quality';
import {
  angleProblem,
  CORNERS,
  LENGTH_KINDS,
  MAX_POSITIONS,
  MAX_SWEPT_POSITIONS,
  MIN_POSITIONS,
  MIN_SWEPT_POSITIONS,
  MOST_SWEPT,
} from '../../readings';
import type { UnitSystem } from '../../units';
import { filledLine, idSchema, typedLength } from './common';

export const MAX_LAPS = 20;
const finite = (low: number, high: number) => z.number().min(low).max(high);

/** Angles of the positions in degrees, rising within one turn, and told apart by the fit. */
export const setAnglesSchema = z.array(z.number()).superRefine((angles, context) => {
  const tooUneven =
    'These places are too unevenly spread round the rotor to tell its runout. Spread them out.';
  const message = angleProblem(angles) ?? (fittableOrders(angles).length > 0 ? null : tooUneven);
  if (message !== null) context.addIssue({ code: 'custom', message });
});

/** A new reading set. */
export const newSetSchema = z
  .strictObject({
    /** Made where the set is begun, so that one sent twice is begun once. */
    id: idSchema.optional(),
    jobId: idSchema,
    corner: z.enum(CORNERS),
    kind: z.enum(['runout', 'thickness', 'hub']),
    phase: z.enum(['as-found', 'before', 'after']),
    face: z.enum(['outboard', 'inboard']),
    positions: z
      .int(`Take ${MIN_POSITIONS} to ${MAX_POSITIONS} positions.`)
      .min(MIN_POSITIONS, `Take at least ${MIN_POSITIONS} positions.`)
      .max(MAX_SWEPT_POSITIONS, `Take at most ${MAX_POSITIONS} positions.`),
    shift: z.int().min(0).max(9),
    laps: z.int().min(1).max(MAX_LAPS).optional(),
    /** Where the positions are, when they are not evenly spaced from the chalk mark. */
    angles: setAnglesSchema.nullable().optional(),
    circle: z.enum(['outer', 'inner']).optional(),
    /** What of the preparation is left out; left out itself when nothing was asked. */
    left: z.array(z.enum(PREPARATION_IDS)).optional(),
    torqueNm: finite(1, 1000).nullable().optional(),
    endPlayUm: finite(0, 10_000).nullable().optional(),
    zeroErrorUm: finite(-1000, 1000).nullable().optional(),
    rotorCelsius: finite(-60, 900).nullable().optional(),
    /** The gauge; the usual one of its kind when left out. */
    gaugeId: idSchema.nullable().optional(),
    isVirtual: z.boolean().optional(),
    /** Thickness on eight even places, more named until it is settled. */
    settle: z.boolean().optional(),
    /** Each lap is one slow turn with a gauge that sends as it goes; how many places it has is told by what came. */
    sweep: z.boolean().optional(),
  })
  .refine(({ sweep, positions }) => sweep === true || positions <= MAX_POSITIONS, {
    message: `Take at most ${MAX_POSITIONS} positions.`,
    path: ['positions'],
  });
export type NewSet = z.infer<typeof newSetSchema>;
export type NewSetData = z.output<typeof newSetSchema>;

/** Why a set is set aside. */
export const setAsideSchema = z.strictObject({
  setId: idSchema,
  reason: z.string().trim().min(1, 'Say why the set is set aside.').max(200),
});

/** What a gauge sent in one slow turn, as it is kept: times in milliseconds, values in micrometres. */
export const sweepSchema = z
  .strictObject({
    unit: z.enum(['um', 'mm', 'thou', 'in']),
    times: z.array(finite(0, 600_000)).min(MIN_SWEPT_POSITIONS).max(MOST_SWEPT),
    values: z.array(finite(-20_000, 20_000)).max(MOST_SWEPT),
    marks: z.array(finite(0, 600_000)).min(2).max(12),
  })
  .refine(({ times, values }) => times.length === values.length, {
    message: 'A sweep has one value for each of its times.',
  })
  .refine(({ times }) => times.every((time, i) => i === 0 || time >= times[i - 1]!), {
    message: 'The times of a sweep rise.',
  });

/** One swept lap of a set. */
export const sweptLapSchema = z.strictObject({
  setId: idSchema,
  lap: z
    .int()
    .min(0)
    .max(MAX_LAPS - 1),
  sweep: sweepSchema,
});
export type SweptLapForm = z.infer<typeof sweptLapSchema>;

/** Circumstances of a set that may be changed while it is read. */
export const setDetailsSchema = z.strictObject({
  setId: idSchema,
  zeroErrorUm: finite(-1000, 1000).nullable().optional(),
  rotorCelsius: finite(-60, 900).nullable().optional(),
  endPlayUm: finite(0, 10_000).nullable().optional(),
  radiusUm: finite(20_000, 400_000).nullable().optional(),
  torqueNm: finite(1, 1000).nullable().optional(),
  /** Where it was read after all. */
  shift: z.int().min(0).max(9).optional(),
  /** Its seat is confirmed, or not any more. */
  seatSaid: z.boolean().optional(),
  /** The wheel is pressed inboard at each reading, or not any more. */
  pressed: z.boolean().optional(),
});
export type SetDetails = z.infer<typeof setDetailsSchema>;

const placeShape = {
  lap: z
    .int()
    .min(0)
    .max(MAX_LAPS - 1),
  /** The closing reading stands at the number of positions; slow turns and extra places follow it. */
  position: z
    .int()
    .min(0)
    .max(2 * MAX_POSITIONS),
};

/** Readings as typed: a null text takes one back. */
export const readingsSchema = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        ...placeShape,
        text: z.string().max(60).nullable(),
        unit: z.enum(['um', 'mm', 'thou', 'in']),
      }),
    )
    .min(1)
    .max(500),
});
export type TypedReadings = z.infer<typeof readingsSchema>['readings'];

const GAUGE_UNITS = ['um', 'mm', 'thou', 'in'] as const;

export const lineFormatSchema = z.strictObject({
  figure: z.int().min(0).max(20),
  figures: z.int().min(1).max(20),
  unit: z.enum(GAUGE_UNITS),
  tens: z.int().min(0).max(6),
  turned: z.boolean(),
});

const dayOrNothing = z
  .string()
  .regex(/^(|\d{4}-\d{2}-\d{2})$/, 'Enter a date.')
  .refine((day) => day === '' || !Number.isNaN(Date.parse(day)), 'Enter a date.')
  .transform((day) => (day === '' ? null : day));

const needed = (name: string, form: z.ZodType<{ value: number } | null, string>) =>
  form.transform((length, context) => {
    if (length && length.value > 0) return length.value;
    context.addIssue({ code: 'custom', message: `Enter the ${name}.` });
    return z.NEVER;
  });

/** A gauge of the workshop; bare figures are in the unit of runout readings. */
export const gaugeFormSchema = (units: UnitSystem) => {
  const unit = units === 'mm' ? 'mm' : 'thou';
  return z.strictObject({
    id: idSchema.optional(),
    name: filledLine('gauge\u2019s name', 60),
    kind: z.enum(['dial', 'micrometer']),
    resolution: needed('resolution', typedLength(LENGTH_KINDS.resolution, unit)),
    repeatability: needed('repeatability', typedLength(LENGTH_KINDS.spread, unit)),
    mpe: typedLength(LENGTH_KINDS.spread, unit).transform((length) => length?.value ?? null),
    due: dayOrNothing,
    unit: z.enum(['', ...GAUGE_UNITS]).transform((own) => (own === '' ? null : own)),
    turned: z.boolean(),
    isUsual: z.boolean(),
    lineFormat: lineFormatSchema.nullable(),
  });
};
export type GaugeForm = z.input<ReturnType<typeof gaugeFormSchema>>;

/** A table of readings to put on file, and what it does not say itself. */
export const importSetsSchema = z.strictObject({
  jobId: idSchema,
  corner: z.enum(CORNERS),
  phase: z.enum(['as-found', 'before', 'after']),
  kind: z.enum(['runout', 'thickness', 'hub']),
  face: z.enum(['outboard', 'inboard']),
  shift: z.int().min(0).max(9),
  text: z
    .string()
    .trim()
    .min(1, 'Paste the readings first.')
    .max(LONGEST_TABLE, 'That is too long for readings.'),
});
export type ImportSets = z.infer<typeof importSetsSchema>;
