import { z } from 'zod';
import { CORNERS } from '../../readings';
import { isAnswer } from '../../diagnosis';
import { KNOWLEDGE } from '../knowledge';
import { idSchema } from './common';

const codeSchema = z
  .string()
  .refine((code) => KNOWLEDGE.findings.some((finding) => finding.code === code), {
    message: 'This finding is not in the knowledge.',
  });

/** A finding as it is recorded; a null value takes it back. */
export const findingFormSchema = z
  .strictObject({
    jobId: idSchema,
    code: codeSchema,
    corner: z.enum(CORNERS).nullable(),
    value: z.string().max(200).nullable(),
    /** The answer that is taken back, where one of several is meant. */
    was: z.string().max(200).optional(),
  })
  .superRefine(({ code, value }, context) => {
    const finding = KNOWLEDGE.findings.find((each) => each.code === code);
    if (!finding || value === null) return;
    if (!isAnswer(finding, value)) {
      context.addIssue({
        code: 'custom',
        path: ['value'],
        message: 'This is not an answer to it.',
      });
    }
  });

/** Setting a finding aside, or letting it weigh again. */
export const asideFormSchema = z.strictObject({
  jobId: idSchema,
  code: codeSchema,
  isAside: z.boolean(),
});

/** A cause by its code, or null where it is left open. */
export const causeSchema = z
  .string()
  .nullable()
  .refine(
    (code) =>
      code === null ||
      [...KNOWLEDGE.causes, ...KNOWLEDGE.former].some((cause) => cause.code === code),
  );

export type FindingForm = z.input<typeof findingFormSchema>;
export type FindingData = z.output<typeof findingFormSchema>;
export type AsideForm = z.input<typeof asideFormSchema>;
