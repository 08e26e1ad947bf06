import fc from 'fast-check';
import { readDecimal } from './decimal';
import { RecordingFeed } from './feed';
import { checkFile, LARGEST_BYTES, lookAtLog, planOf } from './look';
import { matchOrder, rateOfTaps } from './match';
import { readLogText } from './read';
import { wheelFrequency } from './tyre';

describe('a number in a log', () => {
  test('reads as the language reads it, to the last bit', () => {
    fc.assert(
      fc.property(
        fc.double({ noNaN: true, noDefaultInfinity: true }),
        fc.nat(9),
        (value, digits) => {
          for (const text of [
            String(value),
            (value % 1e6).toFixed(digits),
            value.toExponential(3),
          ]) {
            expect(readDecimal(text)).toBe(Number(text));
          }
        },
      ),
    );
  });

  test.each([
    ['0,05', 0.05],
    ['-12,5', -12.5],
    ['.5', 0.5],
    ['5.', 5],
    ['+3', 3],
    ['1e3', 1000],
    ['-0.0000001', -1e-7],
    ['123456789012345678', 123456789012345678],
  ])('%s is %d', (text, value) => expect(readDecimal(text)).toBe(value));

  test.each(['', ' ', '-', '.', 'x', '1.2.3', '1,2,3', '--1', '12a'])('"%s" is none', (text) =>
    expect(readDecimal(text)).toBeNaN(),
  );
});

describe('a file is looked at before it is read', () => {
  test('too large, empty and not text are refused with what to do', () => {
    expect(() => checkFile(LARGEST_BYTES + 1, new Uint8Array())).toThrow(/500 MB are the most/);
    expect(() => checkFile(0, new Uint8Array())).toThrow('The file is empty.');
    expect(() => checkFile(4, Uint8Array.of(80, 75, 0, 4))).toThrow(
      /line 1 .* Export the log as CSV/,
    );
    expect(() => checkFile(LARGEST_BYTES, Uint8Array.of(116, 44))).not.toThrow();
  });

  test('delimiter, byte order mark and blank lines are seen through', () => {
    const layout = lookAtLog('\uFEFFtime;ax\n\n0;1,5\n0,1;1,6\n0,2', false);
    expect(layout.delimiter).toBe(';');
    expect(layout.header).toEqual(['time', 'ax']);
    expect(layout.first).toEqual([
      ['0', '1,5'],
      ['0,1', '1,6'],
    ]);
    expect(lookAtLog('t\tx\n0\t1\n', true).delimiter).toBe('\t');
  });

  test('a log of Windows line ends and no newline at its end reads whole', () => {
    const { time, axes } = readLogText('time,ax\r\n0,1\r\n0.1,2\r\n0.2,3');
    expect([...time]).toEqual([0, 0.1, 0.2]);
    expect([...(axes[0] ?? [])]).toEqual([1, 2, 3]);
  });

  test('a few unusable rows are left out, many are refused with line and column', () => {
    const rows = Array.from({ length: 100 }, (_, i) => `${i / 100},${i === 50 ? 'NaN' : 1}`);
    expect(readLogText(`time,ax\n${rows.join('\n')}`).time).toHaveLength(99);
    const many = rows.map((row, i) => (i % 2 ? row : 'NaN,1'));
    expect(() => readLogText(`time,ax\n${many.join('\n')}`)).toThrow(
      /first in line 2, column time/,
    );
  });
});

describe('columns grow as they are filled', () => {
  test('a log longer than the first room keeps every row of every column', () => {
    const rows = Array.from({ length: 70_000 }, (_, i) => `${i / 100},${i % 7},${i % 5}`);
    const { time, axes, axisNames } = readLogText(`time,ax,ay\n${rows.join('\n')}`);
    expect(axisNames).toEqual(['x', 'y']);
    expect(time).toHaveLength(70_000);
    const wrong = rows.findIndex(
      (_, i) => time[i] !== i / 100 || axes[0]![i] !== i % 7 || axes[1]![i] !== i % 5,
    );
    expect(wrong).toBe(-1);
  });

  test('a row may lack its speed, never its mark of the brake', () => {
    const log = readLogText(
      'time,ax,speed (m/s),brake\n0,1,20,0\n0.1,1,,1\n0.2,1,19,on\n0.3,1,18,false',
    );
    expect([...(log.speed ?? [])]).toEqual([20, NaN, 19, 18]);
    expect([...(log.brake ?? [])]).toEqual([0, 1, 1, 0]);
    const rows = Array.from({ length: 40 }, (_, i) => `${i / 10},1,20,${i === 7 ? '' : '1'}`);
    expect(readLogText(`time,ax,speed (m/s),brake\n${rows.join('\n')}`).time).toHaveLength(39);
  });
});

describe('a felt rate', () => {
  const at = wheelFrequency(20, 0.66);

  test.each([
    [at * 1.05, '1'],
    [at * 1.9, '2'],
    [at * 3.1, '3'],
    [at * 4.1, 'propshaft'],
    [at * 1.5, 'none'],
    [at * 0.4, 'none'],
  ])('%d Hz at 20 m/s is %s', (rate, match) =>
    expect(matchOrder(rate, 20, 0.66, 4.1).match).toBe(match),
  );

  test('without a final drive ratio no propshaft is named', () =>
    expect(matchOrder(at * 4.1, 20, 0.66, null).match).toBe('none'));

  test('taps give their rate; a pause begins anew; too few say nothing', () => {
    expect(rateOfTaps([0, 125, 250, 375])).toBeCloseTo(8);
    expect(rateOfTaps([0, 125, 250])).toBeNull();
    expect(rateOfTaps([])).toBeNull();
    expect(rateOfTaps([0, 500, 1000, 1500, 9000, 9100, 9200, 9300, 9400])).toBeCloseTo(10);
  });
});

test('room that is made for what the first piece lets expect holds what comes, longer or shorter', () => {
  const rowAt = (i: number, digits: number): string => `${i / 400},${(i % 7).toFixed(digits)}\n`;
  const header = 'time (s),ax (m/s^2)\n';
  // After a tenth the lines become shorter: a third more rows than were expected.
  const text =
    header + Array.from({ length: 150_000 }, (_, i) => rowAt(i, i < 15_000 ? 6 : 1)).join('');
  const read = (bytes: number) => {
    const feed = new RecordingFeed(
      planOf(lookAtLog(header + rowAt(1, 1) + rowAt(2, 1), true), {}),
      ',',
      1,
      bytes,
    );
    for (let at = 0; at < text.length; at += 100_000) feed.push(text.slice(at, at + 100_000));
    return feed.finish();
  };
  const [told, untold] = [read(text.length), read(0)];
  expect(told.rows).toBe(150_000);
  expect(told).toEqual(untold);
});
