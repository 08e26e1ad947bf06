import 'server-only';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { FileTasks } from './fileWorker';

type Said =
  | { readonly share: number }
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly message: string; readonly code: string };

/** The worker’s source lies beside this file and is run as it is, like the migrations. */
const workerFile = (): string =>
  path.join(
    /* turbopackIgnore: true */ process.cwd(),
    ...['src', 'server', 'records', 'backup', 'fileWorker.ts'],
  );

/** A thread runs TypeScript once what reads it is there. */
const RUN =
  "require('tsx/cjs/api').register(); require(require('node:worker_threads').workerData.file)";

/** A thread that has nothing to do is kept for what follows, so long. */
const KEPT_MS = 5000;

/** The thread that waits for work, if one does. */
let idle: { readonly worker: Worker; readonly timer: NodeJS.Timeout } | null = null;

function takeWorker(): Worker {
  if (!idle) {
    const made = new Worker(RUN, { eval: true, workerData: { file: workerFile() } });
    // Whoever waits for it is told; one that nobody waits for is not handed out once it is gone.
    return made
      .on('error', () => undefined)
      .on('exit', () => {
        if (idle?.worker === made) idle = null;
      });
  }
  const { worker, timer } = idle;
  clearTimeout(timer);
  worker.ref();
  idle = null;
  return worker;
}

/** Keeps a thread that has done its work; it keeps the program from ending no longer. */
function putBack(worker: Worker): void {
  worker.unref();
  if (idle) return void worker.terminate();
  const end = (): void => {
    idle = null;
    void worker.terminate();
  };
  idle = { worker, timer: setTimeout(end, KEPT_MS).unref() };
}

/** How work on files is watched, and ended before its end. */
export interface Watch {
  readonly onShare?: (share: number) => void;
  readonly signal?: AbortSignal;
}

const reasonOf = ({ reason }: AbortSignal): Error =>
  reason instanceof Error ? reason : new Error(String(reason));

/**
 * Does work on files in a thread of its own, so that the server goes on answering meanwhile.
 * Throws what the work threw, with its code, and the signal’s reason where it is ended by it.
 */
export const watchedWork =
  ({ onShare, signal }: Watch) =>
  <Name extends keyof FileTasks>(
    task: Name,
    ...args: Parameters<FileTasks[Name]>
  ): Promise<Awaited<ReturnType<FileTasks[Name]>>> =>
    new Promise((resolve, reject) => {
      if (signal?.aborted) return reject(reasonOf(signal));
      const worker = takeWorker();
      const leave = (): void => {
        signal?.removeEventListener('abort', end);
        worker.off('message', hear).off('error', fail).off('exit', fail);
      };
      const fail = (why: unknown): void => {
        leave();
        reject(
          why instanceof Error ? why : new Error(`The work on files ended with ${String(why)}`),
        );
      };
      const end = (): void => {
        fail(signal && reasonOf(signal));
        void worker.terminate();
      };
      const hear = (said: Said): void => {
        if ('share' in said) return onShare?.(said.share);
        leave();
        putBack(worker);
        // The task of that name answers so.
        if (said.ok) resolve(said.value as Awaited<ReturnType<FileTasks[Name]>>);
        else reject(Object.assign(new Error(said.message), { code: said.code }));
      };
      signal?.addEventListener('abort', end, { once: true });
      worker.on('message', hear).on('error', fail).on('exit', fail);
      worker.postMessage({ task, args });
    });

/** The same, unwatched. */
export const inWorker = watchedWork({});
