import { z } from 'zod';
import { ACTION_CODES, metalOf } from '../../options';
import { axleOf, CORNERS } from '../../readings';
import { filledLine, idSchema } from './common';

/** A vehicle as far as a first job needs it: the rest is asked where it is needed. */
const newVehicleSchema = z.strictObject({
  plate: filledLine('plate', 20).transform((plate) => plate.toUpperCase()),
  /** Left out where nobody has said it: it is asked before the first set. */
  fastening: z.enum(['studs', 'bolts']).optional(),
  studs: z.coerce
    .number<string | number>()
    .int()
    .min(3, 'At least 3.')
    .max(10, 'At most 10.')
    .optional(),
});
export type QuickVehicle = z.output<typeof newVehicleSchema>;

const CHOOSE_VEHICLE = 'Choose the vehicle, or enter a new one.';

const jobFields = z.strictObject({
  /** Made where the form is filled in, so that one sent twice is opened once. */
  id: idSchema.optional(),
  /** Empty where the vehicle is put on file with the job. */
  vehicleId: z.union([z.uuid(), z.literal('')], CHOOSE_VEHICLE),
  newVehicle: newVehicleSchema.nullish().transform((vehicle) => vehicle ?? null),
  /** In the customer’s words; empty until somebody asks. */
  complaint: z.string().trim().max(2000, 'The complaint can have at most 2000 characters.'),
  odometerKm: z
    .string()
    .trim()
    .regex(/^\d{0,7}$/, 'Enter the distance in whole km, or leave it empty.')
    .transform((text) => (text === '' ? null : Number(text))),
  corners: z.array(z.enum(CORNERS)).min(1, 'Choose at least one corner to measure.').max(4),
  /** The earlier job that this one came back from; null or left out for none. */
  comebackOf: idSchema.nullish().transform((id) => id ?? null),
});

/** A new job as the form sends it: of a vehicle on file, or with one that is put on file with it. */
export const jobFormSchema = jobFields.refine(
  ({ vehicleId, newVehicle }) => (vehicleId === '') !== (newVehicle === null),
  { message: CHOOSE_VEHICLE, path: ['vehicleId'] },
);

export type JobForm = z.input<typeof jobFormSchema>;
export type JobData = z.output<typeof jobFormSchema>;

export const complaintFormSchema = jobFields.pick({
  complaint: true,
  odometerKm: true,
  corners: true,
});
export type ComplaintForm = z.input<typeof complaintFormSchema>;

export const CORRECTIONS = [
  'leave',
  'index',
  'hub',
  'machine-on-vehicle',
  'machine-bench',
  'replace',
  'clean',
  'plate',
  'hub-replace',
] as const;
export type Correction = (typeof CORRECTIONS)[number];

export const decisionFormSchema = z.strictObject({
  jobId: idSchema,
  corner: z.enum(CORNERS),
  action: z.enum(ACTION_CODES),
});

const sideSchema = decisionFormSchema.pick({ corner: true, action: true });

/** What is done about both corners of an axle. */
export const pairFormSchema = z
  .strictObject({ jobId: idSchema, left: sideSchema, right: sideSchema })
  .refine(
    ({ left, right }) =>
      left.corner !== right.corner && axleOf(left.corner) === axleOf(right.corner),
    'These two corners are not one axle.',
  )
  .refine(
    ({ left, right }) => metalOf(left.action) === metalOf(right.action),
    'Cut both rotors of an axle, or renew both.',
  );
