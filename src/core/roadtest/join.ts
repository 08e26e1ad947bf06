import type { Role } from './columns';
import type { RecordingPart } from './reader';
import { UnusableRecording, type Recording } from './recording';

/** Rows without a usable figure that a file may have before it is refused. */
const MOST_BAD_SHARE = 0.05;
const AXES = ['x', 'y', 'z'] as const;

function joined(parts: readonly RecordingPart[], role: Role): Float64Array | null {
  if (!parts[0]?.columns[role]) return null;
  const all = new Float64Array(parts.reduce((sum, { rows }) => sum + rows, 0));
  let at = 0;
  for (const { columns } of parts) {
    all.set(columns[role]!, at);
    at += columns[role]!.length;
  }
  return all;
}

/** The first unusable row with its line in the file, counted over the parts before it. */
function firstBad(parts: readonly RecordingPart[]): RecordingPart['firstBad'] {
  let before = 0;
  for (const part of parts) {
    if (part.firstBad) return { ...part.firstBad, line: part.firstBad.line + before };
    before += part.lines;
  }
  return null;
}

/**
 * Joins the parts of a log, in the order of the file, to a recording.
 *
 * Throws UnusableRecording when too many rows have no usable figure, with line and column,
 * or when there are fewer than two.
 */
export function joinParts(parts: readonly RecordingPart[]): Recording {
  const rows = parts.reduce((sum, part) => sum + part.rows, 0);
  const bad = parts.reduce((sum, part) => sum + part.bad, 0);
  const first = firstBad(parts);
  if (first && bad > MOST_BAD_SHARE * (rows + bad)) {
    throw new UnusableRecording(
      'rows',
      `${bad} of ${rows + bad} rows have no usable figure, first in line ${first.line}, column ${first.column}.`,
      `line ${first.line}, ${first.column}`,
    );
  }
  if (rows < 2) {
    throw new UnusableRecording('empty', 'The recording has fewer than two rows of figures.');
  }
  const time = joined(parts, 'time')!;
  const start = time[0]!;
  for (let i = 0; i < time.length; i += 1) time[i] = time[i]! - start;
  const names = AXES.filter((axis) => parts[0]!.columns[axis]);
  return {
    time,
    axes: names.map((axis) => joined(parts, axis)!),
    axisNames: names,
    speed: joined(parts, 'speed'),
    brake: joined(parts, 'brake'),
  };
}
