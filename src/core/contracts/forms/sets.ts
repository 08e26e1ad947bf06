import { z } from 'zod';
import { CORNERS, MAX_POSITIONS } from '../../readings';
import { idSchema } from './common';

/** The numbers of positions offered; 12 is recommended. */
export const POSITION_CHOICES = [8, 10, 12, 16, 24] as const;

const finite = (low: number, high: number) => z.number().min(low).max(high);

/** A new reading set. */
export const newSetSchema = z.strictObject({
  jobId: idSchema,
  corner: z.enum(CORNERS),
  kind: z.enum(['runout', 'thickness', 'hub']),
  phase: z.enum(['as-found', 'before', 'after']),
  face: z.enum(['outboard', 'inboard']),
  positions: z.literal([...POSITION_CHOICES]),
  shift: z.int().min(0).max(9),
});
export type NewSet = z.infer<typeof newSetSchema>;

/** Why a set is set aside. */
export const setAsideSchema = z.strictObject({
  setId: idSchema,
  reason: z.string().trim().min(1, 'Say why the set is set aside.').max(200),
});

/** Circumstances of a set that may be changed while it is read. */
export const setDetailsSchema = z.strictObject({
  setId: idSchema,
  zeroErrorUm: finite(-1000, 1000).nullable().optional(),
  rotorCelsius: finite(-60, 900).nullable().optional(),
  endPlayUm: finite(0, 10_000).nullable().optional(),
  radiusUm: finite(20_000, 400_000).nullable().optional(),
});
export type SetDetails = z.infer<typeof setDetailsSchema>;

const MAX_LAPS = 20;

const placeShape = {
  lap: z
    .int()
    .min(0)
    .max(MAX_LAPS - 1),
  /** The closing reading stands at the number of positions. */
  position: z.int().min(0).max(MAX_POSITIONS),
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
