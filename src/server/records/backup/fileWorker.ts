import { parentPort, workerData } from 'node:worker_threads';
import { copyFolder, digestOf, listPacked, pack, unpack } from './files';

/** Work on files that would keep the server’s own thread, each by its name. */
const TASKS = { copyFolder, digestOf, listPacked, pack, unpack };
export type FileTasks = typeof TASKS;

/** What went wrong, as it can be handed to another thread. */
const sayFault = (error: unknown): { readonly message: string; readonly code: string } => ({
  message: error instanceof Error ? error.message : String(error),
  code:
    typeof error === 'object' && error !== null
      ? String(('tarCode' in error && error.tarCode) || ('code' in error ? error.code : ''))
      : '',
});

const { task, args } = workerData as { readonly task: keyof FileTasks; readonly args: never[] };
const run = TASKS[task] as (...given: never[]) => unknown;
Promise.resolve()
  .then(() => run(...args))
  .then(
    (value) => parentPort?.postMessage({ ok: true, value }),
    (error: unknown) => parentPort?.postMessage({ ok: false, ...sayFault(error) }),
  );
