import { z } from 'zod';
import { idSchema } from '../forms/common';
import { CHECK_KINDS, CHECKS, definitionOf, type CheckDefinition } from './registry';

/** A check as it is sent; a null value takes it back, the note saying why. `seen` is the stamp that was on the screen. */
const envelope = z.strictObject({
  jobId: idSchema,
  kind: z.enum(CHECK_KINDS),
  place: z.string().max(10),
  item: z.string().max(40),
  value: z.unknown(),
  note: z.string().trim().max(300).nullable(),
  seen: z.uuid().nullable(),
});

const needsReason = ({ reasonFor }: CheckDefinition, value: unknown): boolean =>
  reasonFor === 'always' || (reasonFor !== undefined && value === reasonFor);

export const checkFormSchema = envelope.transform((form, context) => {
  const complain = (path: string, message: string): never => {
    context.addIssue({ code: 'custom', path: [path], message });
    return z.NEVER;
  };
  const definition = definitionOf(form.kind, form.place, form.item);
  if (!definition || definition.isOwn) {
    const hasItem = CHECKS.some(
      ({ kind, items }) => kind === form.kind && (items as readonly string[]).includes(form.item),
    );
    return hasItem && !definition?.isOwn
      ? complain('place', 'This does not belong to that place.')
      : complain('item', 'This item is not part of the procedure.');
  }
  if (form.value === null)
    return { ...form, note: form.note === '' ? null : form.note, value: null };
  const schema = definition.typed?.(form.item) ?? definition.value;
  const parsed = schema.safeParse(form.value);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) {
      context.addIssue({ code: 'custom', path: ['value', ...issue.path], message: issue.message });
    }
    return z.NEVER;
  }
  if (needsReason(definition, parsed.data) && !form.note) {
    return complain('note', 'Say why, in a few words.');
  }
  return { ...form, note: form.note === '' ? null : form.note, value: parsed.data };
});
export type CheckForm = z.input<typeof checkFormSchema>;
export type CheckFormData = z.output<typeof checkFormSchema>;
