import type { ColumnPlan, Role } from './columns';
import { readDecimal } from './decimal';

const FIRST_ROOM = 1 << 16;

/** A column that grows as it is filled. */
class Column {
  values = new Float64Array(FIRST_ROOM);

  set(at: number, value: number): void {
    if (at >= this.values.length) {
      const more = new Float64Array(this.values.length * 2);
      more.set(this.values);
      this.values = more;
    }
    this.values[at] = value;
  }
}

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
const mark = (text: string): number => (BRAKE_ON.test(text) ? 1 : 0);

interface Field {
  readonly role: Role;
  readonly index: number;
  readonly factor: number;
  readonly read: (text: string) => number;
  /** A row may be without it: speed is often logged once a second. */
  readonly mayLack: boolean;
  readonly column: Column;
}

function fieldsOf({ index, factor, isClock }: ColumnPlan): Field[] {
  return (Object.keys(index) as Role[]).map((role) => ({
    role,
    index: index[role]!,
    factor: factor[role] ?? 1,
    read: role === 'brake' ? mark : role === 'time' && isClock ? clock : readDecimal,
    mayLack: role === 'speed',
    column: new Column(),
  }));
}

/** Takes rows of text one by one into typed columns; memory grows with the numbers only. */
export class RecordingReader {
  private readonly fields: readonly Field[];
  private rows = 0;
  private bad = 0;
  private firstBad: RecordingPart['firstBad'] = null;

  constructor(plan: ColumnPlan) {
    this.fields = fieldsOf(plan);
  }

  /** Takes one row; `line` is its number in what is read, from 1. */
  take(row: readonly string[], line: number): void {
    const { fields, rows } = this;
    for (let i = 0; i < fields.length; i += 1) {
      const field = fields[i]!;
      const text = row[field.index] ?? '';
      const value = text === '' ? NaN : field.read(text) * field.factor;
      if (!Number.isFinite(value) && !field.mayLack) {
        this.bad += 1;
        this.firstBad ??= { line, column: field.role };
        return;
      }
      field.column.set(rows, value);
    }
    this.rows += 1;
  }

  /** What was read; `lines` is how many lines that took. */
  part(lines: number): RecordingPart {
    const { rows, bad, firstBad } = this;
    const columns = Object.fromEntries(
      this.fields.map(({ role, column }) => [role, column.values.slice(0, rows)]),
    );
    return { columns, rows, lines, bad, firstBad };
  }
}
