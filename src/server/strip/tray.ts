import 'server-only';
import { idSchema, trayChangeSchema, trayPartSchema } from '../../core/contracts';
import type { Database } from '../../db/client';
import {
  deleteTrayPart,
  findTrayPart,
  insertTrayPart,
  markTrayPart,
  updateTrayPart,
  type TrayPartRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { withJob } from '../job/withJob';

/** Puts a part in the tray; the same part, sent again under its id, is put there once. */
export async function takeOffPart(input: unknown, by: string | null): Promise<Answer<TrayPartRow>> {
  const parsed = trayPartSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  return withJob(parsed.data.jobId, async (tx, job) =>
    job.corners.includes(parsed.data.corner)
      ? accept(await insertTrayPart(tx, { ...parsed.data, by }))
      : refuse('This corner is not part of the job.'),
  );
}

/** What became of a change of a part: kept, or how the part stands now instead. */
export interface TrayKept {
  readonly kept: boolean;
  readonly part: TrayPartRow;
}
export type TrayAnswer = Answer<TrayKept>;

const NOT_IN_TRAY = 'This part is not in the tray any more.';

/** One use case on a part of a tray, in the transaction of its job. */
async function withPart<Value>(
  partId: string,
  use: (tx: Database) => Promise<Answer<Value>>,
): Promise<Answer<Value>> {
  const isId = idSchema.safeParse(partId).success;
  const part = isId ? await findTrayPart(await database(), partId) : null;
  return part ? withJob(part.jobId, use) : refuse(NOT_IN_TRAY, {}, 'gone');
}

/** Changes lines of a part in the tray; tells of what another wrote there meanwhile. */
export async function changePart(input: unknown): Promise<TrayAnswer> {
  const parsed = trayChangeSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { partId, was, change } = parsed.data;
  return withPart<TrayKept>(partId, async (tx) => {
    const row = await updateTrayPart(tx, partId, was, change);
    if (row) return accept({ kept: true, part: row });
    const theirs = await findTrayPart(tx, partId);
    return theirs ? accept({ kept: false, part: theirs }) : refuse(NOT_IN_TRAY, {}, 'gone');
  });
}

/** Marks a part, or what replaces it, as back on, or as off again: the rebuild empties the tray. */
export const putBack = (
  partId: string,
  isBack: boolean,
  by: string | null,
): Promise<Answer<TrayPartRow>> =>
  withPart(partId, async (tx) => {
    const back = isBack ? { backAt: new Date(), backBy: by } : { backAt: null, backBy: null };
    const row = (await markTrayPart(tx, partId, back)) ?? (await findTrayPart(tx, partId));
    return row ? accept(row) : refuse(NOT_IN_TRAY, {}, 'gone');
  });

/** Takes a part out as if it had never been put there. */
export const dropPart = (partId: string): Promise<Answer<string>> =>
  withPart(partId, async (tx) => {
    await deleteTrayPart(tx, partId);
    return accept(partId);
  });
