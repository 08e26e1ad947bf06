import path from 'node:path';
import { z } from 'zod';

const schema = z.object({
  ZESTY_HOUND_DATA: z.string().min(1).default('./data'),
  DATABASE_URL: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'DATABASE_URL must begin with postgres:// or postgresql://')
    .optional(),
});

/** What the program is told by its environment, parsed. Throws when it cannot be meant. */
export function environment(): { folder: string; url: string | undefined } {
  const parsed = schema.safeParse({
    ZESTY_HOUND_DATA: process.env.ZESTY_HOUND_DATA || undefined,
    DATABASE_URL: process.env.DATABASE_URL || undefined,
  });
  if (!parsed.success) throw new Error(z.prettifyError(parsed.error));
  return {
    folder: path.resolve(/* turbopackIgnore: true */ parsed.data.ZESTY_HOUND_DATA),
    url: parsed.data.DATABASE_URL,
  };
}
