import { z } from 'zod';

/**
 * A schema as the browser may use it: the strict headers forbid it to make code of text, so that it
 * is walked, not compiled; trying to would be reported as a breach of them.
 */
export function strictly<Schema>(schema: Schema): Schema {
  z.config({ jitless: true });
  return schema;
}
