import { z } from 'zod';
import { MAX_POSITIONS } from '../../readings';
import { MAX_LAPS } from './sets';
import { idSchema } from './common';

/** One write as a device sends it. */
const writeSchema = z.strictObject({
  id: idSchema,
  /** The use case, by its name. */
  name: z.string().min(1).max(40),
  /** What it writes: a later write of the same place stands for an earlier one. */
  place: z.string().min(1).max(300),
  /** Rises with every write of the device. */
  number: z.int().positive(),
  input: z.unknown(),
  /** Who was at the screen when it was written. */
  by: idSchema.nullable(),
  /** What its writer had seen of the ledger, for a write that replaces something. */
  seen: z
    .strictObject({
      /** The last line of the room that the screen showed. */
      upTo: z.int().nonnegative(),
      /** Whether the screen follows what is written on its device. */
      isOwnSeen: z.boolean(),
    })
    .optional(),
});
export type OutgoingWrite = z.infer<typeof writeSchema>;

/** Writes of a device, in the order they were made. */
export const writesSchema = z.strictObject({
  device: idSchema,
  writes: z.array(writeSchema).min(1).max(100),
});

/** One reading as typed; a null text takes it back. `was` is what stood there on the screen. */
export const readingSchema = z.strictObject({
  setId: idSchema,
  lap: z
    .int()
    .min(0)
    .max(MAX_LAPS - 1),
  position: z.int().min(0).max(MAX_POSITIONS),
  text: z.string().max(60).nullable(),
  unit: z.enum(['um', 'mm', 'thou', 'in']),
  was: z.string().max(60).nullable().optional(),
});
export type TypedReading = z.infer<typeof readingSchema>;

export const addLapSchema = z.strictObject({
  setId: idSchema,
  /** How many laps the writer saw. */
  has: z.int().min(1).max(MAX_LAPS),
});
