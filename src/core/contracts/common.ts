import { z } from 'zod';
import { fittableOrders } from '../harmonics';
import {
  LENGTH_KINDS,
  MAX_POSITIONS,
  MIN_POSITIONS,
  type Gauge,
  type LengthKind,
} from '../readings';
import { describeReason, sayMicrometres, type Verdict } from '../verdict';
import { LengthReader, lengthSchema, type RawLength } from './lengths';
import { RefusedInput } from './problem';

const MAX_LAPS = 50;

/** A lap with so many readings at most. */
const lapUpTo = (most: number) =>
  z
    .array(lengthSchema)
    .min(MIN_POSITIONS, `a lap needs at least ${MIN_POSITIONS} readings`)
    .max(most, `a lap has at most ${most} readings`);

export const lapSchema = lapUpTo(MAX_POSITIONS);

/** Laps that may have so many readings each. */
export const lapsUpTo = (most: number) =>
  z
    .array(lapUpTo(most))
    .min(1, 'at least one lap of readings is needed')
    .max(MAX_LAPS, `at most ${MAX_LAPS} laps`)
    .refine(
      (laps) => laps.every((lap) => lap.length === laps[0]?.length),
      'every lap must have the same number of readings; one is missing or one too many',
    )
    .describe('Laps, each an array of n readings.');

export const lapsSchema = lapsUpTo(MAX_POSITIONS);

export const closingSchema = z
  .array(lengthSchema)
  .max(MAX_LAPS)
  .describe('The reading at the start position, taken again at the end of each lap.');

export const anglesSchema = z
  .array(z.number())
  .min(MIN_POSITIONS)
  .max(MAX_POSITIONS)
  .refine(
    (angles) => angles.every((angle, j) => j === 0 || angle > (angles[j - 1] ?? Infinity)),
    'angles must rise from one position to the next',
  )
  .refine(
    (angles) =>
      (angles.at(-1) ?? 0) - (angles[0] ?? 0) < 360 && angles.every((a) => a >= -360 && a <= 720),
    'angles must lie within one turn',
  )
  .describe('Angles of the positions in degrees, rising; evenly spaced when left out.');

export const gaugeSchema = z.strictObject({
  resolution: lengthSchema.describe('Smallest step the gauge shows; above 0.'),
  repeatability: lengthSchema,
  mpe: lengthSchema.optional().describe('Maximum permissible error.'),
});

export const studsSchema = z.int('studs must be a whole number').min(3).max(10);

export function readGauge(raw: z.infer<typeof gaugeSchema>, read: LengthReader): Gauge {
  const mpe = read.maybe(raw.mpe, LENGTH_KINDS.spread, ['gauge', 'mpe']);
  return {
    resolution: read.one(raw.resolution, LENGTH_KINDS.resolution, ['gauge', 'resolution']),
    repeatability: read.one(raw.repeatability, LENGTH_KINDS.spread, ['gauge', 'repeatability']),
    ...(mpe === undefined ? {} : { mpe }),
  };
}

export const readLaps = (
  raw: readonly (readonly RawLength[])[],
  kind: LengthKind,
  read: LengthReader,
  path: readonly (string | number)[],
): number[][] => raw.map((lap, l) => read.list(lap, kind, [...path, l]));

/** Refuses angles that do not fit the readings or are too uneven for any order. */
export function checkAngles(angles: readonly number[] | undefined, n: number, path: string): void {
  if (!angles) return;
  if (angles.length !== n) {
    throw new RefusedInput({
      code: 'angles',
      message: `${path} has ${angles.length} angles for ${n} readings. Give one for each position.`,
      path,
    });
  }
  if (fittableOrders(angles).length === 0) {
    throw new RefusedInput({
      code: 'angles',
      message: `${path}: the positions are too unevenly spread round the rotor to tell its runout. Spread them out.`,
      path,
    });
  }
}

/** Refuses a closing list that does not have one reading a lap. */
export function checkClosing(
  closing: readonly unknown[] | undefined,
  laps: number,
  path: string,
): void {
  if (closing && closing.length !== laps) {
    throw new RefusedInput({
      code: 'closing',
      message: `${path} has ${closing.length} closing readings for ${laps} laps. Give one a lap, or leave it out.`,
      path,
    });
  }
}

export const verdictSchema = z.object({
  state: z.enum(['within', 'beyond', 'too-close', 'not-measured', 'not-valid']),
  value: z.number().nullable(),
  limit: z.number(),
  guardBand: z.number().nullable(),
  margin: z.number().nullable().describe('Positive on the good side.'),
  lapsToSettle: z.int().nullable(),
  reasons: z.array(z.string()),
});

export const ordersSchema = z.array(
  z.object({
    order: z.int(),
    amplitude: z.number(),
    peakToPeak: z.number(),
    highSpotDeg: z.number(),
    uAmplitude: z.number(),
    uHighSpotDeg: z.number(),
    clear: z.boolean(),
  }),
);

export const placeSchema = z.object({
  position: z.int(),
  angleDeg: z.number(),
  value: z.number(),
});

/** A verdict with its reasons put into words. */
export const writeVerdict = (verdict: Verdict): z.infer<typeof verdictSchema> => ({
  state: verdict.state,
  value: verdict.value,
  limit: verdict.limit,
  guardBand: verdict.guardBand,
  margin: verdict.margin,
  lapsToSettle: verdict.lapsToSettle,
  reasons: verdict.reasons.map((reason) => describeReason(reason, sayMicrometres)),
});
