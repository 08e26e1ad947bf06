import { RecordingFeed, UnusableRecording, type RecordingPart } from '../core/roadtest';
import type { PartToRead, RecordingProblem } from './protocol';

const NEWLINE = 10;

/** Bytes taken at a time: few enough to bound memory, enough not to wait for each. */
const PIECE = 1 << 21;

/**
 * Reads the lines of a file that begin in [from, to) piece by piece: memory grows with the
 * numbers, not with the text. `onBytes` hears how many bytes each piece had.
 */
export async function readPart(
  { file, from, to, plan, delimiter }: PartToRead,
  onBytes: (bytes: number) => void,
): Promise<RecordingPart> {
  const feed = new RecordingFeed(plan, delimiter, from === 0 ? 1 : 0, to - from);
  const decoder = new TextDecoder();
  // A line begins where the byte before it is a newline, so reading begins one byte early.
  let at = Math.max(0, from - 1);
  let isInside = from === 0;
  const fetch = (start: number): Promise<ArrayBuffer> =>
    file.slice(start, start + PIECE).arrayBuffer();
  let coming = fetch(at);
  while (at < file.size) {
    const value = new Uint8Array(await coming);
    coming = fetch(at + value.length);
    const start = isInside ? 0 : value.indexOf(NEWLINE) + 1;
    const last = at + value.length < to ? -1 : value.indexOf(NEWLINE, Math.max(0, to - 1 - at));
    const end = last < 0 ? value.length : last + 1;
    if (isInside || start > 0) {
      isInside = true;
      feed.push(decoder.decode(value.subarray(start, Math.max(start, end)), { stream: true }));
    }
    onBytes(value.length);
    at += value.length;
    if (last >= 0) break;
  }
  feed.push(decoder.decode());
  return feed.finish();
}

/** The buffers of a part, to be handed over instead of copied. */
export const buffersOf = ({ columns }: RecordingPart): ArrayBuffer[] =>
  Object.values(columns).map(({ buffer }) => buffer as ArrayBuffer);

/**
 * What a thrown error says to somebody who waits for a recording: a refusal in its own words, a
 * file that cannot be read any more, too little memory; a fault of ours as one, with what it says.
 */
export function problemOf(error: unknown): RecordingProblem {
  if (error instanceof UnusableRecording) {
    return { code: error.code, message: error.message, path: error.path };
  }
  const says = error instanceof Error || error instanceof DOMException ? error.message : '';
  if (error instanceof DOMException) {
    const message = `The file cannot be read any more: ${says} Choose it again.`;
    return { code: 'file', message, path: '' };
  }
  if (error instanceof RangeError) {
    const message = `This device has too little memory for the recording (${says}). Cut it to the part that shakes, or read it on another one.`;
    return { code: 'memory', message, path: '' };
  }
  const message = `The recording could not be read here: ${says}. That is a fault of ours; nothing was changed.`;
  return { code: 'fault', message, path: '' };
}
