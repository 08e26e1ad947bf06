import { z } from 'zod';
import { CORNERS } from '../../readings';
import { filledLine, idSchema } from './common';

/** A new job as the form sends it. */
export const jobFormSchema = z.strictObject({
  vehicleId: z.uuid('Choose the vehicle, or enter a new one.'),
  complaint: filledLine('complaint in the customer\u2019s words', 2000),
  odometerKm: z
    .string()
    .trim()
    .regex(/^\d{0,7}$/, 'Enter the distance in whole km, or leave it empty.')
    .transform((text) => (text === '' ? null : Number(text))),
  corners: z.array(z.enum(CORNERS)).min(1, 'Choose at least one corner to measure.').max(4),
});

export type JobForm = z.input<typeof jobFormSchema>;
export type JobData = z.output<typeof jobFormSchema>;

export const complaintFormSchema = jobFormSchema.pick({
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
] as const;
export type Correction = (typeof CORRECTIONS)[number];

export const decisionFormSchema = z.strictObject({
  jobId: idSchema,
  corner: z.enum(CORNERS),
  correction: z.enum(CORRECTIONS),
});
