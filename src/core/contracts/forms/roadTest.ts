import { z } from 'zod';
import { idSchema } from './common';

const amplitude = z.number().min(0).max(1000);
const order = z.number().min(0).max(64);
const during = z.enum(['braking', 'coasting']);
const spectrum = z
  .strictObject({ step: z.number().positive(), amplitude: z.array(amplitude).max(4096) })
  .nullable();

/** What the road test solver answers, as it is kept with a job. */
export const roadTestSummarySchema = z.strictObject({
  samples: z.int().min(2),
  rate: z.number().positive(),
  gaps: z.int().min(0),
  windows: z
    .array(z.strictObject({ kind: during, start: z.number().min(0), end: z.number().min(0) }))
    .max(100_000),
  axes: z
    .array(
      z.strictObject({
        axis: z.string().max(10),
        orders: z
          .array(
            z.strictObject({
              order,
              braking: amplitude.nullable(),
              coasting: amplitude.nullable(),
            }),
          )
          .max(10),
        strongest: z
          .strictObject({ order, amplitude, resolution: z.number().positive(), during })
          .nullable(),
      }),
    )
    .min(1)
    .max(3),
  strongest: z.strictObject({ axis: z.string().max(10), order, amplitude }).nullable(),
  brakingToCoasting: z.number().min(0).nullable(),
  peakSpeed: z.number().min(0).nullable(),
  reading: z.string().max(300),
  spectra: z
    .array(z.strictObject({ axis: z.string().max(10), braking: spectrum, coasting: spectrum }))
    .max(3),
  bySpeed: z
    .array(z.strictObject({ speed: z.number().min(0), kind: during, amplitude }))
    .max(20_000),
});

export const roadTestFormSchema = z.strictObject({
  jobId: idSchema,
  phase: z.enum(['before', 'after']),
  diameter: z.number().min(0.3).max(1.5),
  summary: roadTestSummarySchema,
});

export type RoadTestForm = z.input<typeof roadTestFormSchema>;
