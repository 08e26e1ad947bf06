import { askPassword, wantsPassword } from '../access/sure';
import { browserKeeper } from './browser';
import { saidOf } from './conflict';
import type { WriteOrder } from './types';

/** What became of a write, as forms and buttons take it. */
export type KeptAnswer<Value> =
  | { readonly ok: true; readonly value: Value }
  | {
      readonly ok: false;
      readonly message: string;
      readonly fields: Readonly<Record<string, string>>;
      /** What stands there instead, where another screen wrote meanwhile. */
      readonly theirs?: unknown;
      /** Another write stands for it, or it was dropped by hand: there is nothing to say. */
      readonly isDropped?: boolean;
    };

const REFUSED_BY_OTHER = 'Another screen wrote this meanwhile: what it wrote stands here now.';

/** What a form says where another screen changed what it was to replace. */
function sayConflict(value: unknown): string {
  const said = saidOf(value);
  return said === null
    ? REFUSED_BY_OTHER
    : `${said} Yours waits at the top of the page: write it, or leave theirs.`;
}

/** Says who is at this screen, by id: the name under what is written from now on. */
export function setWriter(who: string | null): void {
  browserKeeper().writer = who;
}

/** Takes what was refused at a place off this device. */
export async function dropWriteAt(place: string): Promise<void> {
  const keeper = browserKeeper();
  const held = keeper.current().writes.find((each) => each.place === place);
  if (held && held.status.state !== 'waiting') await keeper.drop(held);
}

/**
 * Keeps a write on this device, sends it, and answers once it is settled: at once where the
 * server is there, much later where it is away. Nothing is lost meanwhile.
 */
export async function keepWrite<Value>(order: WriteOrder): Promise<KeptAnswer<Value>> {
  const href = window.location.pathname + window.location.search;
  const keeper = browserKeeper();
  let how = await keeper.keep(order, { by: keeper.writer, href });
  if (how.state === 'refused' && wantsPassword(how.code) && (await askPassword())) {
    // The same once more: it stands for the one that was refused.
    how = await keeper.keep(order, { by: keeper.writer, href });
  }
  switch (how.state) {
    case 'done':
      // The use case of that name answers so on the server.
      return { ok: true, value: how.value as Value };
    case 'refused':
      return { ok: false, message: how.message, fields: how.fields };
    case 'conflict':
      return { ok: false, message: sayConflict(how.value), fields: {}, theirs: how.value };
    case 'dropped':
      return { ok: false, message: '', fields: {}, isDropped: true };
  }
}
