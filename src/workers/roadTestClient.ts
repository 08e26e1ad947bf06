import {
  checkFile,
  LOOK_BYTES,
  lookAtLog,
  planOf,
  type LogLayout,
  type RoadTestAnalysis,
  type Role,
} from '../core/roadtest';
import type { FromWorker, PartToRead, RecordingProblem, ToWorker } from './protocol';
import { problemOf } from './readPart';

/** A file from this size on is read by two workers, one half each. */
const WORTH_TWO = 2_000_000;

export interface RoadTestOptions {
  readonly map: Readonly<Partial<Record<Role, string>>>;
  /** Factors to SI units where they were asked for. */
  readonly units: Readonly<Partial<Record<Role, number>>>;
  readonly diameter: number;
  readonly speed: number | null;
}

export type RoadTestOutcome =
  | { readonly kind: 'done'; readonly analysis: RoadTestAnalysis }
  | {
      readonly kind: 'refused';
      readonly problem: RecordingProblem;
      readonly header: readonly string[];
    }
  | { readonly kind: 'cancelled' };

/** A recording that is being read. */
export interface RoadTestRun {
  readonly outcome: Promise<RoadTestOutcome>;
  readonly cancel: () => void;
}

const newWorker = (): Worker =>
  new Worker(new URL('./roadTest.worker.ts', import.meta.url), { type: 'module' });

/** Workers that stand ready, so that their start is not waited for. */
const ready: Worker[] = [];

/** Starts the two workers before a file comes. */
export function warmUp(): void {
  while (ready.length < 2) ready.push(newWorker());
}

const tell = (worker: Worker, message: ToWorker, transfer: Transferable[] = []): void =>
  worker.postMessage(message, transfer);

/** Looks at the beginning of a file: its columns, or why it cannot be a log. */
export async function lookAtFile(file: Blob): Promise<LogLayout> {
  // What its size alone forbids is told before a byte is read.
  checkFile(file.size, new Uint8Array());
  const start = new Uint8Array(await file.slice(0, LOOK_BYTES).arrayBuffer());
  checkFile(file.size, start);
  return lookAtLog(new TextDecoder().decode(start), file.size <= LOOK_BYTES);
}

/**
 * Reads and solves a recording away from the page. `onProgress` hears the share that was
 * read, 0 to 1. A refusal comes back as a value with the file's header where it has one.
 */
export function startRoadTest(
  file: Blob,
  options: RoadTestOptions,
  onProgress: (share: number) => void,
): RoadTestRun {
  const workers: Worker[] = [];
  let settle: (outcome: RoadTestOutcome) => void = () => undefined;
  const outcome = new Promise<RoadTestOutcome>((resolve) => {
    settle = (value) => {
      for (const worker of workers) worker.terminate();
      resolve(value);
    };
  });
  void begin(file, options, onProgress, workers, (value) => settle(value));
  return { outcome, cancel: () => settle({ kind: 'cancelled' }) };
}

async function begin(
  file: Blob,
  { map, units, diameter, speed }: RoadTestOptions,
  onProgress: (share: number) => void,
  workers: Worker[],
  settle: (outcome: RoadTestOutcome) => void,
): Promise<void> {
  let header: readonly string[] = [];
  const refuse = (problem: RecordingProblem): void => settle({ kind: 'refused', problem, header });
  try {
    const layout = await lookAtFile(file);
    header = layout.header;
    const plan = planOf(layout, map, units);
    const isTwo = file.size >= WORTH_TWO;
    const half = isTwo ? Math.floor(file.size / 2) : file.size;
    const part = (from: number, to: number): PartToRead => ({
      file,
      from,
      to,
      plan,
      delimiter: layout.delimiter,
    });
    let bytes = 0;
    const hear = ({ data }: MessageEvent<FromWorker>): void => {
      if (data.kind === 'progress') {
        bytes += data.bytes;
        onProgress(Math.min(1, bytes / file.size));
      } else if (data.kind === 'done') settle({ kind: 'done', analysis: data.analysis });
      else if (data.kind === 'refused') refuse(data.problem);
    };
    const open = (): Worker => {
      const worker = ready.pop() ?? newWorker();
      workers.push(worker);
      worker.onmessage = hear;
      worker.onerror = (event) =>
        refuse({
          code: 'worker',
          message: `The recording could not be read here: ${event.message || 'the reader did not start'}. Nothing was changed; try again.`,
          path: '',
        });
      return worker;
    };
    if (!isTwo) {
      tell(open(), { kind: 'solve', part: part(0, half), port: null, diameter, speed });
      return;
    }
    const { port1, port2 } = new MessageChannel();
    tell(open(), { kind: 'solve', part: part(0, half), port: port1, diameter, speed }, [port1]);
    tell(open(), { kind: 'read', part: part(half, file.size), port: port2 }, [port2]);
  } catch (error) {
    refuse(problemOf(error));
  }
}
