import path from 'node:path';
import { z } from 'zod';
import { isPractice } from './store';

const schema = z.object({
  ZESTY_HOUND_DATA: z.string().min(1).default('./data'),
  /** A folder on another disk or share where every copy is kept once more. */
  ZESTY_HOUND_COPIES: z.string().min(1).optional(),
  DATABASE_URL: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'DATABASE_URL must begin with postgres:// or postgresql://')
    .optional(),
});

/** The folder of the records of practice, within the shop's: no copy has it in it. */
const PRACTICE = 'practice';

/**
 * What the program is told by its environment, parsed; in practice the folder of its records, which are on this
 * machine whatever the shop's are. Throws when it cannot be meant.
 */
export function environment(): {
  readonly folder: string;
  readonly url: string | undefined;
  readonly copies: string | undefined;
} {
  const parsed = schema.safeParse({
    ZESTY_HOUND_DATA: process.env.ZESTY_HOUND_DATA || undefined,
    ZESTY_HOUND_COPIES: process.env.ZESTY_HOUND_COPIES || undefined,
    DATABASE_URL: process.env.DATABASE_URL || undefined,
  });
  if (!parsed.success) throw new Error(z.prettifyError(parsed.error));
  if (isPractice()) {
    const folder = path.resolve(/* turbopackIgnore: true */ parsed.data.ZESTY_HOUND_DATA, PRACTICE);
    return { folder, url: undefined, copies: undefined };
  }
  return {
    folder: path.resolve(/* turbopackIgnore: true */ parsed.data.ZESTY_HOUND_DATA),
    url: parsed.data.DATABASE_URL,
    copies:
      parsed.data.ZESTY_HOUND_COPIES &&
      path.resolve(/* turbopackIgnore: true */ parsed.data.ZESTY_HOUND_COPIES),
  };
}
