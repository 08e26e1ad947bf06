import { archiveJsonSchema } from '@/server/records/archive';

/** The JSON Schema of an archive. */
export function GET(): Response {
  return Response.json(archiveJsonSchema());
}
