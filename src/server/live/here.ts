import 'server-only';
import { sql } from 'drizzle-orm';
import { z } from 'zod';
import { idSchema } from '../../core/contracts';
import { CORNERS } from '../../core/readings';
import { cameIn } from '../access/here';
import { accept, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { whoIsHere } from '../web/who';

const corner = z.enum(CORNERS).nullable();
/** Where a browser says that somebody is; it goes by the id that it gave itself. */
const sentSchema = z.strictObject({ job: idSchema, corner, by: z.uuid() });

/** Who is at which corner of which job, as every screen is told. */
export const hereSchema = z.strictObject({
  job: z.string(),
  corner,
  by: z.string(),
  /** Null where nobody said a name. */
  who: z.string().nullable(),
  /** Name of the screen; null where screens have none. */
  screen: z.string().nullable(),
});
export type HereSaid = z.output<typeof hereSchema>;

/** Tells every screen who is where: it is kept nowhere, and said again as long as it is so. */
export async function sayHere(input: unknown): Promise<Answer<null>> {
  const sent = sentSchema.safeParse(input);
  if (!sent.success) return refuseParse(sent.error);
  const said: HereSaid = {
    ...sent.data,
    who: (await whoIsHere())?.name ?? null,
    screen: (await cameIn())?.deviceName ?? null,
  };
  await (await database()).execute(sql`select pg_notify('zh_here', ${JSON.stringify(said)})`);
  return accept(null);
}
