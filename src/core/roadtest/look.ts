import { planColumns, type ColumnPlan, type Role } from './columns';
import { delimiterOf, isBlank, rowsOf } from './feed';
import { UnusableRecording } from './recording';

/** Largest file taken: half an hour at 400 Hz is 29 MB. */
export const LARGEST_BYTES = 500_000_000;
/** Bytes looked at before a file is read. */
export const LOOK_BYTES = 16_384;
/** Rows looked at to tell units. */
const LOOK_ROWS = 20;

/** How a log is to be read: what separates its columns, and which they are. */
export interface LogLayout {
  readonly delimiter: string;
  readonly header: readonly string[];
  readonly first: readonly (readonly string[])[];
}

/**
 * Refuses what cannot be a log before it is read: empty, too large, not text. `size` in
 * bytes, `start` its first bytes. Throws UnusableRecording.
 */
export function checkFile(size: number, start: Uint8Array): void {
  if (size === 0) throw new UnusableRecording('empty', 'The file is empty.');
  if (size > LARGEST_BYTES) {
    throw new UnusableRecording(
      'too-large',
      `The file has ${Math.round(size / 1e6)} MB; ${LARGEST_BYTES / 1e6} MB are the most. Export a shorter drive.`,
    );
  }
  if (start.includes(0)) {
    throw new UnusableRecording(
      'binary',
      'This is not text (line 1 holds bytes that are no characters). Export the log as CSV.',
    );
  }
}

/** Header, first rows and delimiter of a log from the beginning of its text. */
export function lookAtLog(start: string, isWhole: boolean): LogLayout {
  const text = start.replace(/^\uFEFF/, '');
  const whole = isWhole ? text : text.slice(0, text.lastIndexOf('\n') + 1);
  const delimiter = delimiterOf(whole.split(/\r?\n/).find((line) => line.trim() !== '') ?? '');
  const rows = rowsOf(whole, delimiter).filter((row) => !isBlank(row));
  const [header, ...first] = rows;
  if (!header) throw new UnusableRecording('empty', 'The file is empty.');
  if (first.length === 0) {
    throw new UnusableRecording('empty', 'The file has a header in line 1 and no rows.');
  }
  return { delimiter, header, first: first.slice(0, LOOK_ROWS) };
}

/** The columns of a log that was looked at. Throws UnusableRecording. */
export const planOf = (
  layout: LogLayout,
  map: Readonly<Partial<Record<Role, string>>>,
  units: Readonly<Partial<Record<Role, number>>> = {},
): ColumnPlan => planColumns(layout.header, layout.first, map, units);
