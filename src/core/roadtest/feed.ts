import { planColumns, type Role } from './columns';
import { RecordingReader } from './reader';
import { UnusableRecording, type Recording } from './recording';

/** Rows looked at before the columns' units are settled. */
const LOOK = 20;

/**
 * Takes a log's rows as a CSV parser hands them out, header first, and makes a recording of
 * them. The columns are settled from the header and the first rows.
 */
export class RecordingFeed {
  private header: readonly string[] | null = null;
  private waiting: { readonly row: readonly string[]; readonly line: number }[] = [];
  private reader: RecordingReader | null = null;
  private line = 0;

  constructor(private readonly map: Readonly<Partial<Record<Role, string>>> = {}) {}

  /** Takes the next rows of the file. Throws UnusableRecording when they cannot be a log. */
  push(rows: readonly (readonly string[])[]): void {
    for (const row of rows) {
      this.line += 1;
      if (row.length === 0 || (row.length === 1 && row[0]!.trim() === '')) continue;
      if (!this.header) this.header = row;
      else if (this.reader) this.reader.take(row, this.line);
      else {
        this.waiting.push({ row, line: this.line });
        if (this.waiting.length >= LOOK) this.settle();
      }
    }
  }

  private settle(): void {
    const { header, waiting } = this;
    if (!header) throw new UnusableRecording('empty', 'The file is empty.');
    if (waiting.length === 0) {
      throw new UnusableRecording('empty', 'The file has a header and no rows.');
    }
    const rows = waiting.map(({ row }) => row);
    this.reader = new RecordingReader(planColumns(header, rows, this.map));
    for (const { row, line } of waiting) this.reader.take(row, line);
    this.waiting = [];
  }

  /** The recording, once the file was read to its end. */
  finish(): Recording {
    if (!this.reader) this.settle();
    return this.reader!.finish();
  }
}
