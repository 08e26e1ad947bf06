import type { ColumnPlan, Role } from './columns';
import { UnusableRecording, type Recording } from './recording';

const FIRST_ROOM = 1 << 16;
/** Rows without a usable figure that a file may have before it is refused. */
const MOST_BAD_SHARE = 0.05;
const AXES = ['x', 'y', 'z'] as const;

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

const numberOf = (text: string | undefined): number => {
  if (text === undefined || text === '') return NaN;
  const value = +text;
  return Number.isNaN(value) ? +text.replace(',', '.') : value;
};

const BRAKE_ON = /^(1|true|yes|on|brake)/i;

/** Takes rows of text one by one into typed columns; memory grows with the numbers only. */
export class RecordingReader {
  private readonly columns = new Map<Role, Column>();
  private count = 0;
  private bad = 0;
  private firstBad: { line: number; column: Role } | null = null;

  constructor(private readonly plan: ColumnPlan) {
    for (const role of Object.keys(plan.index) as Role[]) this.columns.set(role, new Column());
  }

  /** Takes one row; `line` is its number in the file, from 1. */
  take(row: readonly string[], line: number): void {
    const { index, factor, isClock } = this.plan;
    for (const [role, column] of this.columns) {
      const text = row[index[role]!];
      let value: number;
      if (role === 'brake') value = BRAKE_ON.test(text ?? '') ? 1 : 0;
      else if (role === 'time' && isClock) value = Date.parse(text ?? '') / 1000;
      else value = numberOf(text) * (factor[role] ?? 1);
      if (role !== 'speed' && !Number.isFinite(value)) {
        this.bad += 1;
        this.firstBad ??= { line, column: role };
        return;
      }
      column.set(this.count, value);
    }
    this.count += 1;
  }

  /** The recording that was read. Throws UnusableRecording when there is too little of it. */
  finish(): Recording {
    const { count, bad, firstBad } = this;
    if (firstBad && bad > MOST_BAD_SHARE * (count + bad)) {
      throw new UnusableRecording(
        'rows',
        `${bad} of ${count + bad} rows have no usable figure, first in line ${firstBad.line}, column ${firstBad.column}.`,
        `line ${firstBad.line}, ${firstBad.column}`,
      );
    }
    if (count < 2) {
      throw new UnusableRecording('empty', 'The recording has fewer than two rows of figures.');
    }
    const taken = (role: Role): Float64Array | null =>
      this.columns.get(role)?.values.subarray(0, count) ?? null;
    const names = AXES.filter((axis) => this.columns.has(axis));
    const time = taken('time')!;
    const start = time[0]!;
    return {
      time: time.map((value) => value - start),
      axes: names.map((axis) => taken(axis)!),
      axisNames: names,
      speed: taken('speed'),
      brake: taken('brake'),
    };
  }
}
