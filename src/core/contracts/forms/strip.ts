import { z } from 'zod';
import { FATES } from '../../procedure';
import { CORNERS } from '../../readings';
import { PROCEDURE } from '../procedure';
import { idSchema } from './common';

const codesOf = (list: readonly { readonly code: string }[]): [string, ...string[]] => {
  const [first = '', ...rest] = list.map(({ code }) => code);
  return [first, ...rest];
};

const line = (name: string, longest: number) =>
  z.string().trim().max(longest, `${name} can have at most ${longest} characters.`);

/** A part as it goes into the tray. */
export const trayPartSchema = z.strictObject({
  /** Made where it is put in the tray, so that one sent twice is put there once. */
  id: idSchema.optional(),
  jobId: idSchema,
  corner: z.enum(CORNERS),
  kind: z.enum(codesOf(PROCEDURE.parts)).nullable(),
  name: line('The name', 60).min(1, 'Name the part.'),
  place: line('The place', 80),
  orientation: line('How it sat', 120),
  mark: line('The mark', 120),
  fate: z.enum(FATES),
});
export type TrayPartForm = z.input<typeof trayPartSchema>;

const trayLines = trayPartSchema
  .pick({ place: true, orientation: true, mark: true, fate: true })
  .partial();

/** A change of lines of a part in the tray, with what was seen of each. */
export const trayChangeSchema = z
  .strictObject({ partId: idSchema, was: trayLines, change: trayLines })
  .refine(({ was, change }) => Object.keys(change).every((line) => line in was), {
    message: 'Say what was seen of each line that changes.',
  })
  .refine(({ change }) => Object.keys(change).length > 0, { message: 'Nothing changes.' });
export type TrayChangeForm = z.input<typeof trayChangeSchema>;

export const personSchema = z.strictObject({
  name: line('The name', 40).min(1, 'Enter the name.'),
  role: z.enum(['lead', 'technician', 'apprentice']),
  /** Short for the name; made from it where left empty. */
  initials: line('The initials', 4).default(''),
});
export type PersonForm = z.input<typeof personSchema>;
