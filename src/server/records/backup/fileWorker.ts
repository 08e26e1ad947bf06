import { parentPort } from 'node:worker_threads';
import { findDamage } from '../../../db/connect/pages';
import { addLog, copyFolder, digestOf, listPacked, pack, unpack, type NotCopied } from './files';
import { settleCopy } from './settleCopy';

const say = (share: number): void => parentPort?.postMessage({ share });

/** Work on files that would keep the server’s own thread, each by its name. */
const TASKS = {
  ...{ addLog, digestOf, listPacked, pack, settleCopy, unpack },
  copyFolder: (from: string, to: string, what: NotCopied) => copyFolder(from, to, what, say),
  findDamage: (database: string) => findDamage(database, say),
};
export type FileTasks = typeof TASKS;

/** What went wrong, as it can be handed to another thread. */
const sayFault = (error: unknown): { readonly message: string; readonly code: string } => ({
  message: error instanceof Error ? error.message : String(error),
  code:
    typeof error === 'object' && error !== null
      ? String(('tarCode' in error && error.tarCode) || ('code' in error ? error.code : ''))
      : '',
});

parentPort?.on(
  'message',
  ({ task, args }: { readonly task: keyof FileTasks; readonly args: never[] }) => {
    const run = TASKS[task] as (...given: never[]) => unknown;
    Promise.resolve()
      .then(() => run(...args))
      .then(
        (value) => parentPort?.postMessage({ ok: true, value }),
        (error: unknown) => parentPort?.postMessage({ ok: false, ...sayFault(error) }),
      );
  },
);
