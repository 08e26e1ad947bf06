import { z } from 'zod';
import { LIMIT_SOURCES } from '../../assessment';
import { CORNERS, LENGTH_KINDS } from '../../readings';
import { fieldUnit, type UnitSystem } from '../../units';
import { filledLine, idSchema, typedLength } from './common';
import { LIMIT_FIELDS } from './vehicle';

export const fasteningFields = {
  fastening: z.enum(['studs', 'bolts']),
  studs: z.coerce.number<string | number>().int().min(3, 'At least 3.').max(10, 'At most 10.'),
};

const plate = filledLine('plate', 20).transform((text) => text.toUpperCase());

/** A quick check as it is begun: a corner, its studs, and what is known of its limits. */
export const quickCheckSchema = (units: UnitSystem) =>
  z.strictObject({
    /** Made where it is begun, so that one sent twice is begun once. */
    id: idSchema,
    setId: idSchema,
    corner: z.enum(CORNERS),
    ...fasteningFields,
    discard: typedLength(LENGTH_KINDS.thickness, fieldUnit(units, 'size')),
    runout: typedLength(LENGTH_KINDS.limit, fieldUnit(units, 'deviation')),
  });
export type QuickCheckForm = z.input<ReturnType<typeof quickCheckSchema>>;
export type QuickCheckData = z.output<ReturnType<typeof quickCheckSchema>>;

/** The plate by which a quick check becomes a job. */
export const checkPlateSchema = z.strictObject({ jobId: idSchema, plate });

/** How the wheels of an axle are held on, said where it is first needed. */
export const fasteningSchema = z.strictObject({
  jobId: idSchema,
  corner: z.enum(CORNERS),
  ...fasteningFields,
});
export type FasteningForm = z.input<typeof fasteningSchema>;

const LIMIT_KINDS = LIMIT_FIELDS.map(({ kind }) => kind);

/** One figure of an axle that is not on file yet, typed where it is first needed. */
export const limitFormSchema = (units: UnitSystem) =>
  z
    .strictObject({
      jobId: idSchema,
      corner: z.enum(CORNERS),
      kind: z.enum(LIMIT_KINDS),
      text: z.string(),
      source: z.enum(LIMIT_SOURCES),
    })
    .transform(({ text, ...form }, context) => {
      const field = LIMIT_FIELDS.find(({ kind }) => kind === form.kind) ?? LIMIT_FIELDS[0];
      const read = typedLength(field.of, fieldUnit(units, field.role)).safeParse(text);
      if (read.success && read.data) return { ...form, length: read.data };
      const message = read.error?.issues[0]?.message ?? 'Type the figure.';
      context.addIssue({ code: 'custom', message, path: ['text'] });
      return z.NEVER;
    });
export type LimitForm = z.input<ReturnType<typeof limitFormSchema>>;
