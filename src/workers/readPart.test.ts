import { logDrive } from '../core/bench';
import { seededRandom } from '../core/numeric';
import { joinParts, lookAtLog, planOf, readLogText, UnusableRecording } from '../core/roadtest';
import { problemOf, readPart } from './readPart';

const text = logDrive(
  {
    parts: [{ from: 20, to: 20, seconds: 12 }],
    diameter: 0.66,
    shakes: [],
    noise: 0.2,
    rate: 100,
    speedEvery: 1,
  },
  seededRandom(4),
);
const file = new Blob([text]);

async function readIn(cuts: readonly number[], of: Blob = file, log = text) {
  const layout = lookAtLog(log.slice(0, 3000), false);
  const plan = planOf(layout, {});
  const ends = [0, ...cuts, of.size];
  const parts = [];
  for (let i = 1; i < ends.length; i += 1) {
    const part = { file: of, from: ends[i - 1]!, to: ends[i]!, plan, delimiter: layout.delimiter };
    parts.push(await readPart(part, () => undefined));
  }
  return joinParts(parts);
}

test('a file cut anywhere reads as the whole, no row lost and none twice', async () => {
  const whole = readLogText(text);
  const lineStart = text.indexOf('\n', 5000) + 1;
  for (const cut of [lineStart - 1, lineStart, lineStart + 1, 5003, Math.floor(text.length / 2)]) {
    const joined = await readIn([cut]);
    expect(joined.time).toEqual(whole.time);
    expect(joined.axes).toEqual(whole.axes);
    expect(joined.speed).toEqual(whole.speed);
  }
  expect((await readIn([4000, 9000, 20_000])).time).toEqual(whole.time);
});

test('progress counts every byte of a file that one reader takes', async () => {
  const layout = lookAtLog(text.slice(0, 3000), false);
  let bytes = 0;
  const part = { file, from: 0, to: file.size, plan: planOf(layout, {}), delimiter: ',' };
  await readPart(part, (more) => (bytes += more));
  expect(bytes).toBe(file.size);
});

test('an unusable row in the second part is named by its line in the file', async () => {
  const lines = text.trimEnd().split('\n');
  const first = 900;
  const bad = lines.map((line, i) => (i >= first ? line.replace(/^[^,]*/, 'x') : line));
  const spoilt = `${bad.join('\n')}\n`;
  const half = Math.floor(spoilt.length / 2);
  await expect(readIn([half], new Blob([spoilt]), spoilt)).rejects.toThrow(
    `first in line ${first + 1}, column time`,
  );
});

test('a refusal crosses as code, message and path', () => {
  expect(problemOf(new UnusableRecording('empty', 'The file is empty.'))).toEqual({
    code: 'empty',
    message: 'The file is empty.',
    path: '',
  });
});

// 2026-11-27: a fault was thrown on inside the worker, and the page went on reading for ever.
test('a moved file, too little memory and a fault of ours reach the page as messages', () => {
  const moved = new DOMException('It was changed.', 'NotReadableError');
  expect(problemOf(moved)).toMatchObject({
    code: 'file',
    message: 'The file cannot be read any more: It was changed. Choose it again.',
  });
  expect(problemOf(new RangeError('Array buffer allocation failed')).code).toBe('memory');
  expect(problemOf(new TypeError('a fault'))).toMatchObject({
    code: 'fault',
    message: expect.stringContaining('a fault') as string,
  });
});
