import { z } from 'zod';
import { LIMIT_SOURCES } from '../../assessment';
import { AXLE_POSITIONS, CORNERS } from '../../readings';
import { FASTENER_CODES } from '../../torque';
import { typedTorque } from '../checks/values';
import { filledLine, idSchema } from './common';

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

/** A lead’s answer to a line of the ledger. */
export const takenBackSchema = z.strictObject({
  jobId: idSchema,
  seq: z.number().int().positive(),
  reason: filledLine('answer', 300),
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
