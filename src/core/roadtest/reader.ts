import type { ColumnPlan, Role } from './columns';
import { readDecimal } from './decimal';

const FIRST_ROOM = 1 << 16;

/** A stretch of a log in columns of equal length, in SI units, and what was wrong in it. */
export interface RecordingPart {
  readonly columns: Readonly<Partial<Record<Role, Float64Array>>>;
  readonly rows: number;
  /** Lines of the file that it took, the header among them where it holds it. */
  readonly lines: number;
  /** Rows without a usable figure, and where the first of them stands. */
  readonly bad: number;
  readonly firstBad: { readonly line: number; readonly column: string } | null;
}

const clock = (text: string): number => Date.parse(text) / 1000;
const BRAKE_ON = /^(1|true|yes|on|brake)/i;
const mark = (text: string): number => (text === '' ? NaN : BRAKE_ON.test(text) ? 1 : 0);

interface Field {
  readonly role: Role;
  readonly index: number;
  readonly factor: number;
  /** How it is read where it is no plain number. */
  readonly read: ((text: string) => number) | null;
  /** A row may be without it: speed is often logged once a second. */
  readonly mayLack: boolean;
  /** What was read so far, and room for more. */
  values: Float64Array;
}

function fieldsOf({ index, factor, isClock }: ColumnPlan): Field[] {
  return (Object.keys(index) as Role[]).map((role) => ({
    role,
    index: index[role]!,
    factor: factor[role] ?? 1,
    read: role === 'brake' ? mark : role === 'time' && isClock ? clock : null,
    mayLack: role === 'speed',
    values: new Float64Array(FIRST_ROOM),
  }));
}

/** Takes rows of text one by one into typed columns; memory grows with the numbers only. */
export class RecordingReader {
  private readonly fields: readonly Field[];
  private rows = 0;
  private room = FIRST_ROOM;
  private bad = 0;
  private firstBad: RecordingPart['firstBad'] = null;

  constructor(plan: ColumnPlan) {
    this.fields = fieldsOf(plan);
  }

  /** Takes one row; `line` is its number in what is read, from 1. */
  take(row: readonly string[], line: number): void {
    if (this.rows === this.room) this.makeRoom(2 * this.room);
    const { fields, rows } = this;
    for (let i = 0; i < fields.length; i += 1) {
      const field = fields[i]!;
      const text = row[field.index] ?? '';
      const value = (field.read === null ? readDecimal(text) : field.read(text)) * field.factor;
      if (!Number.isFinite(value) && !field.mayLack) {
        this.bad += 1;
        this.firstBad ??= { line, column: field.role };
        return;
      }
      field.values[rows] = value;
    }
    this.rows += 1;
  }

  /** Makes room at once for so many times the rows that were read: what grows piece by piece is copied each time. */
  expect(times: number): void {
    const rows = Math.ceil(times * this.rows);
    if (rows > this.room) this.makeRoom(rows);
  }

  private makeRoom(rows: number): void {
    this.room = rows;
    for (const field of this.fields) {
      const more = new Float64Array(this.room);
      more.set(field.values);
      field.values = more;
    }
  }

  /** What was read; `lines` is how many lines that took. */
  part(lines: number): RecordingPart {
    const { rows, bad, firstBad } = this;
    const columns = Object.fromEntries(
      this.fields.map(({ role, values }) => [role, values.subarray(0, rows)]),
    );
    return { columns, rows, lines, bad, firstBad };
  }
}
