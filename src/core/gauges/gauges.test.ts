import fc from 'fast-check';
import { learnLineFormat, LineFeed, readGaugeLine, type GaugeEvent, type LineFormat } from '.';

function learned(lines: readonly string[], shown = '', unit: 'mm' | 'in' = 'mm'): LineFormat {
  const answer = learnLineFormat(lines, unit, shown);
  if (!answer.ok) throw new Error(answer.message);
  return answer.format;
}
const reads = (format: LineFormat, line: string): string => {
  const read = readGaugeLine(format, line);
  return read.ok ? `${read.reading.text} ${read.reading.unit}` : read.message;
};

describe('a line format is learned from a few lines', () => {
  test('plain figures in the unit of the field', () => {
    expect(reads(learned(['0.012', '-0.004']), '+0.031')).toBe('0.031 mm');
  });

  test('a unit in the line is respected', () => {
    const format = learned(['  0.0005 in', '  0.0012 in']);
    expect(reads(format, '-0.0003 in')).toBe('-0.0003 in');
    expect(reads(format, '0.012 mm')).toBe('0.012 mm');
  });

  test('a channel number and a counter beside the reading', () => {
    const format = learned(['01 A +0.012', '01 A -0.003']);
    expect(reads(format, '01 A +1.250')).toBe('1.250 mm');
  });

  test('whole steps and a turned sense are settled by what the display shows', () => {
    const format = learned(['D+00012', 'D-00004'], '0.004');
    expect([format.tens, format.turned]).toEqual([3, true]);
    expect(reads(format, 'D+01250')).toBe('-1.250 mm');
    expect(reads(format, 'D-00000')).toBe('0.000 mm');
  });

  test('a decimal comma', () => {
    expect(reads(learned(['0,012', '0,020']), '27,986')).toBe('27.986 mm');
  });

  test('a held display is told', () => {
    const read = readGaugeLine(learned(['0.012', '0.020']), '0.020 HOLD');
    expect(read.ok && read.reading.held).toBe(true);
  });

  test.each([
    [['0.012'], '', /two different/],
    [['0.012', 'no figure'], '', /Line 2 has no figure/],
    [['0.012', '0.012 7'], '', /differ in how many/],
    [['1 2', '3 4'], '', /More than one figure/],
    [['0.012', '0.020'], '0.5', /cannot mean 0.5/],
    [['0.012', '0.020'], 'x', /has no digits/],
  ])('%j showing "%s" is refused in words', (lines, shown, message) => {
    const answer = learnLineFormat(lines, 'mm', shown);
    expect(answer.ok ? '' : answer.message).toMatch(message);
  });

  test('a line of another shape is not guessed at', () => {
    expect(reads(learned(['01 0.012', '01 0.020']), '0.020')).toMatch(/not a line as learned/);
  });

  test('any steps that a gauge can show come back as they were', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999, max: 99_999 }), (steps) => {
        const line = `G${steps < 0 ? '-' : '+'}${String(Math.abs(steps)).padStart(6, '0')}`;
        const read = readGaugeLine(learned(['G+000012', 'G+000020'], '0.020'), line);
        expect(read.ok && read.reading.value).toBeCloseTo(steps, 6);
      }),
    );
  });
});

describe('text from a cable', () => {
  const heard = (pieces: readonly string[]): GaugeEvent[] => {
    const events: GaugeEvent[] = [];
    const feed = new LineFeed(
      learned(['0.012', '0.020']),
      (event) => events.push(event),
      'reading',
    );
    pieces.forEach((piece) => feed.push(piece));
    return events;
  };

  test('is cut anywhere: one line, one reading', () => {
    const events = heard(['0.0', '12\r', '\n0.020\n', '\n0.0']);
    expect(events.map((event) => event.type === 'reading' && event.reading.text)).toEqual([
      '0.012',
      '0.020',
    ]);
  });

  test('noise is trouble in words, and does not stop what follows', () => {
    const events = heard(['@@@\n', `${'x'.repeat(5000)}`, '\n0.020\n']);
    expect(events.map(({ type }) => type)).toEqual(['trouble', 'trouble', 'reading']);
  });
});
