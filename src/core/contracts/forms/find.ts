import { z } from 'zod';
import { KNOWLEDGE } from '../knowledge';
import { CORNERS } from '../../readings';

/** How far a job is, as it can be asked for. */
export const FIND_STATES = [
  'any',
  'open',
  'to-measure',
  'to-decide',
  'to-correct',
  'to-prove',
  'waiting',
  'closed',
] as const;
export type FindState = (typeof FIND_STATES)[number];
export const FIND_SORTS = ['newest', 'oldest', 'closed'] as const;
export type FindSort = (typeof FIND_SORTS)[number];

const optional = <Schema extends z.ZodType>(schema: Schema) =>
  z
    .union([schema, z.literal('')])
    .nullish()
    .catch(null)
    .transform((value) => (value === '' ? null : (value ?? null)));

const isTicked = z
  .string()
  .nullish()
  .transform((value) => value === '1');

/**
 * What is looked for, as it stands in the address: anything that cannot be meant counts as not
 * asked, so that an old bookmark still opens.
 */
export const findQuerySchema = z.object({
  q: z.string().max(200).catch('').default(''),
  state: z.enum(FIND_STATES).catch('any').default('any'),
  cause: optional(
    z.enum(
      [...KNOWLEDGE.causes, ...KNOWLEDGE.former].map(({ code }) => code) as [string, ...string[]],
    ),
  ),
  corner: optional(z.enum(CORNERS)),
  from: optional(z.iso.date()),
  to: optional(z.iso.date()),
  comeback: isTicked,
  due: isTicked,
  sort: z.enum(FIND_SORTS).catch('newest').default('newest'),
  page: z.coerce.number().int().min(1).max(10_000).catch(1).default(1),
});
export type FindQuery = z.output<typeof findQuerySchema>;

/**
 * The words of what is looked for, each as the beginning of one; at most eight. Signs inside a
 * word are left out, as where words are kept: "SK-04" is the beginning of "sk042k".
 */
export const findWords = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/\s+/u)
    .map((word) => word.replace(/[^\p{L}\p{N}]+/gu, ''))
    .filter((word) => word !== '')
    .slice(0, 8);

/** The address of a query: only what is asked for stands in it. */
export function findAddress(query: Partial<FindQuery>): string {
  const asked = Object.entries(query).flatMap(([key, value]): [string, string][] => {
    if (value === null || value === undefined || value === '' || value === false) return [];
    if ((key === 'state' && value === 'any') || (key === 'sort' && value === 'newest')) return [];
    if (key === 'page' && value === 1) return [];
    return [[key, value === true ? '1' : String(value)]];
  });
  const text = new URLSearchParams(asked).toString();
  return text === '' ? '/find' : `/find?${text}`;
}
