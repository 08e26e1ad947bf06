import { dsvFormat } from 'd3-dsv';
import type { ColumnPlan } from './columns';
import { RecordingReader, type RecordingPart } from './reader';

/** What separates the columns of a log. */
const DELIMITERS = [',', ';', '\t'] as const;

/** The delimiter that stands most often in a header line. */
export const delimiterOf = (header: string): string =>
  DELIMITERS.toSorted((p, q) => header.split(q).length - header.split(p).length)[0]!;

/** The rows of a text of whole lines. */
export const rowsOf = (text: string, delimiter: string): string[][] =>
  dsvFormat(delimiter).parseRows(text);

/** A row that holds nothing. */
export const isBlank = (row: readonly string[]): boolean =>
  row.length === 0 || (row.length === 1 && row[0]!.trim() === '');

/** Room that is made beyond what the first piece lets expect: later lines are a digit longer or shorter. */
const ROOM_OVER = 1.02;

/**
 * Takes the text of a log, or of a part of it, in pieces of any length as they are decoded,
 * and reads their rows. A part that begins with the file begins with its header, which is
 * passed over. Where it is said how many bytes will come, room is made for all of them after the first piece.
 */
export class RecordingFeed {
  private readonly reader: RecordingReader;
  private readonly format;
  private rest = '';
  private line = 0;

  constructor(
    plan: ColumnPlan,
    delimiter: string,
    private headerLines: number,
    private bytes = 0,
  ) {
    this.reader = new RecordingReader(plan);
    this.format = dsvFormat(delimiter);
  }

  /** Takes the next piece of text. */
  push(piece: string): void {
    const end = piece.lastIndexOf('\n') + 1;
    if (end === 0) {
      this.rest += piece;
      return;
    }
    this.readLines(this.rest + piece.slice(0, end));
    this.rest = piece.slice(end);
    this.reader.expect((ROOM_OVER * this.bytes) / end);
    this.bytes = 0;
  }

  private readLines(text: string): void {
    this.format.parseRows(text, (row) => {
      this.line += 1;
      if (isBlank(row)) return null;
      if (this.headerLines > 0) this.headerLines -= 1;
      else this.reader.take(row, this.line);
      return null;
    });
  }

  /** What was read, once the text has come to its end. */
  finish(): RecordingPart {
    if (this.rest !== '') this.readLines(this.rest);
    this.rest = '';
    return this.reader.part(this.line);
  }
}
