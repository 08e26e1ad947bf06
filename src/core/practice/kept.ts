import { z } from 'zod';
import { SOURCES } from './apartCase';
import { BENCH_FAULTS } from './benchWork';
import { readCode, writeCode } from './code';
import { WAYS } from './ways';

const faultSchema = z.enum(BENCH_FAULTS);
const sourceSchema = z.enum(SOURCES).nullable().default(null);
const waySchema = z.enum(WAYS).nullable().default(null);
const causeSchema = z.string().max(60).nullable().default(null);

/** What came of a case, as a device and the shop keep it. */
export const outcomeSchema = z.object({
  code: z.string().max(20),
  /** When it was ended, in ms. */
  at: z.number().int().min(0).max(4e12),
  who: z.string().max(200).nullable(),
  isRight: z.boolean(),
  isHarm: z.boolean(),
  minutes: z.number().nonnegative(),
  best: z.number().nonnegative(),
  missed: z.array(faultSchema).max(BENCH_FAULTS.length),
  /** Root mean square of the readings’ errors in µm; null where nothing was read. */
  errorUm: z.number().nonnegative().nullable(),
  /** Where runout was said to come from, and where it comes from; null where that was not asked. */
  said: sourceSchema,
  source: sourceSchema,
  /** What was decided, and what would have been best; null where that was not asked. */
  way: waySchema,
  bestWay: waySchema,
  /** What a car was first taken for, and its fault, by the codes of their causes; null where that was not asked. */
  saidCause: causeSchema,
  cause: causeSchema,
});
export type Outcome = z.infer<typeof outcomeSchema>;

/** The most that is kept of one case; three sweeps of a corner are some 2,000 readings in a few writes. */
const MOST_STEPS = 4000;

/** What was done in a case, in order: the writes that its pages make. */
export const stepSchema = z.object({
  id: z.string().max(100),
  name: z.string().max(60),
  input: z.unknown(),
});
export type KeptStep = z.infer<typeof stepSchema>;

/** A case by its code, however it was typed. */
const codeSchema = z.string().transform((text, check) => {
  const own = readCode(text);
  if (own) return writeCode(own);
  check.addIssue('A code is two letters and five signs, like RD-7K3Q0.');
  return z.NEVER;
});

/** The step that ends a case: what came of it. */
export const DONE = 'practice-done';

/** What came of a case, by the step that ended it; null where none did. */
export function outcomeIn(steps: readonly Pick<KeptStep, 'name' | 'input'>[]): Outcome | null {
  const ends = steps.flatMap(({ name, input }) => {
    const read = name === DONE ? outcomeSchema.safeParse(input) : null;
    return read?.success ? [read.data] : [];
  });
  return ends.at(-1) ?? null;
}

/** A case that was ended, as it is handed in to be kept under somebody’s name. */
export const endedCaseSchema = z
  .strictObject({
    id: z.uuid(),
    code: codeSchema,
    steps: z.array(stepSchema).max(MOST_STEPS),
  })
  .transform((ended, check) => {
    const outcome = outcomeIn(ended.steps);
    if (outcome?.code === ended.code) return { ...ended, outcome };
    check.addIssue({ code: 'custom', path: ['steps'], message: 'This case was not ended.' });
    return z.NEVER;
  });

/** A case that is set for somebody. */
export const taskSchema = z.strictObject({
  id: z.uuid(),
  personId: z.uuid('Choose for whom.'),
  code: codeSchema,
  note: z.string().trim().max(300, 'At most 300 signs.'),
});
