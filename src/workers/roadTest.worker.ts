import {
  analyseRoadTest,
  joinParts,
  UnusableRecording,
  type RecordingPart,
} from '../core/roadtest';
import type { FromWorker, PartMessage, ReadRequest, SolveRequest, ToWorker } from './protocol';
import { buffersOf, problemOf, readPart } from './readPart';

const say = (message: FromWorker): void => self.postMessage(message);
const sayBytes = (bytes: number): void => say({ kind: 'progress', bytes });

async function read({ part, port }: ReadRequest): Promise<void> {
  try {
    const done = await readPart(part, sayBytes);
    port.postMessage({ kind: 'part', part: done } satisfies PartMessage, buffersOf(done));
  } catch (error) {
    port.postMessage({ kind: 'refused', problem: problemOf(error) } satisfies PartMessage);
  }
}

/** The part that the other worker reads. */
const partFrom = (port: MessagePort): Promise<RecordingPart> =>
  new Promise((resolve, reject) => {
    port.onmessage = ({ data }: MessageEvent<PartMessage>) => {
      if (data.kind === 'part') resolve(data.part);
      else
        reject(new UnusableRecording(data.problem.code, data.problem.message, data.problem.path));
    };
  });

async function solve({ part, port, diameter, speed }: SolveRequest): Promise<void> {
  try {
    const other = port ? partFrom(port) : null;
    const own = await readPart(part, sayBytes);
    const recording = joinParts(other ? [own, await other] : [own]);
    const analysis = analyseRoadTest({ recording, diameter, speed: speed ?? undefined });
    say({ kind: 'done', analysis });
  } catch (error) {
    say({ kind: 'refused', problem: problemOf(error) });
  }
}

self.onmessage = ({ data }: MessageEvent<ToWorker>): void => {
  void (data.kind === 'read' ? read(data) : solve(data));
};
