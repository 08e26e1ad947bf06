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

/** How work on files is watched, and ended before its end. */
export interface Watch {
  readonly onShare?: (share: number) => void;
  readonly signal?: AbortSignal;
}

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
      const worker = new Worker(RUN, {
        eval: true,
        workerData: { file: workerFile(), task, args },
      });
      const end = (): void => {
        if (signal) reject(reasonOf(signal));
        void worker.terminate();
      };
      signal?.addEventListener('abort', end, { once: true });
      worker.on('message', (said: Said) => {
        if ('share' in said) return onShare?.(said.share);
        signal?.removeEventListener('abort', end);
        void worker.terminate();
        // The task of that name answers so.
        if (said.ok) resolve(said.value as Awaited<ReturnType<FileTasks[Name]>>);
        else reject(Object.assign(new Error(said.message), { code: said.code }));
      });
      worker.once('error', reject);
      worker.once('exit', (code) => reject(new Error(`The work on files ended with ${code}`)));
    });

const reasonOf = ({ reason }: AbortSignal): Error =>
  reason instanceof Error ? reason : new Error(String(reason));

/** The same, unwatched. */
export const inWorker = watchedWork({});
