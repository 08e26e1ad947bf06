import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { copyByCommand } from '@/cli/backupCommand';
import { logDrive } from '@/core/bench';
import { seededRandom } from '@/core/numeric';
import { shopIn } from './demo';

const zh = (args: readonly string[], input = '') =>
  spawnSync(process.execPath, ['scripts/zh.mjs', ...args], {
    encoding: 'utf8',
    input,
    env: { ...process.env, NODE_OPTIONS: '' },
  });

const CASE = JSON.stringify({
  unit: 'mm',
  face: 'outboard',
  laps: [[0, 0.01, 0.02, 0.01, 0, -0.01, -0.02, -0.01]],
  gauge: { resolution: 0.001, repeatability: 0.001 },
  limit: 0.05,
});

test('one document in, one document out', () => {
  const { status, stdout, stderr } = zh(['solve', 'runout'], CASE);
  expect([status, stderr]).toEqual([0, '']);
  expect((JSON.parse(stdout) as { tirAsRead: number }).tirAsRead).toBeCloseTo(40);
});

test('a file may be named instead', () => {
  const file = path.join(os.tmpdir(), `zh-${process.pid}.json`);
  fs.writeFileSync(file, CASE);
  expect(zh(['solve', 'runout', file]).status).toBe(0);
  fs.rmSync(file);
});

test('a line a case: a refused one leaves its error in its place', () => {
  const { status, stdout } = zh(['solve', 'runout', '--lines'], `${CASE}\n{"unit":1}\n${CASE}\n`);
  expect(status).toBe(0);
  const answers = stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { error?: unknown });
  expect(answers.map(({ error }) => error !== undefined)).toEqual([false, true, false]);
});

test.each([
  [['solve', 'runout'], '{"unit":"mm"}', 'invalid_value'],
  [['solve', 'runout'], '{oops', 'invalid-json'],
  [['solve', 'runout'], '', 'invalid-json'],
  [['solve', 'nothing'], '{}', 'usage'],
  [['bake'], '', 'usage'],
  [['solve', 'runout', '--fast'], CASE, 'usage'],
  [['solve', 'runout', '/no/such/file'], '', 'usage'],
])('%j is refused with exit code 2 and one JSON error', (args, input, code) => {
  const { status, stdout, stderr } = zh(args, input);
  expect([status, stdout]).toEqual([2, '']);
  const { error } = JSON.parse(stderr) as { error: { code: string } };
  expect(Object.keys(error).sort()).toEqual(['code', 'message', 'path']);
  expect(error.code).toBe(code);
});

test.each([
  [['--help'], /Usage:[\s\S]*zh solve[\s\S]*zh roadtest[\s\S]*zh diagnose/],
  [['solve', 'runout', '--help'], /^zh solve <name>[\s\S]*runout: Lateral runout/],
])('%j says how it is used, and is no error', (args, words) => {
  const { status, stdout, stderr } = zh(args);
  expect([status, stderr]).toEqual([0, '']);
  expect(stdout).toMatch(words);
});

describe('diagnose', () => {
  test('takes several answers to one question, each by itself or with a plus', () => {
    const felt = (value: string) => ({ code: 'felt', value });
    const when = (value: string) => ({ code: 'when', value });
    const lines = [
      [felt('steering'), felt('seat')],
      [felt('steering+seat')],
      [when('braking'), when('both')],
      [felt('seat'), felt('nowhere')],
    ].map((findings) => JSON.stringify({ findings }));
    const { stdout } = zh(['solve', 'diagnose', '--lines'], lines.join('\n'));
    const [apart, together, refused, alone] = stdout.trim().split('\n');
    expect(apart).toBe(together);
    expect(refused).toContain('when stands twice');
    expect(alone).toContain('felt: seat and nowhere do not stand together.');
  });

  test('answers as the contract says, from standard input', () => {
    const { status, stdout } = zh(
      ['diagnose'],
      JSON.stringify({
        findings: [
          { code: 'felt', value: 'both' },
          { code: 'runout', value: 2 },
        ],
      }),
    );
    expect(status).toBe(0);
    const answer = JSON.parse(stdout) as {
      causes: { code: string; probability: number; terms: { decibans: number }[] }[];
      joined: { effect: string; source: string; probability: number } | null;
      settled: boolean;
      nextChecks: { changes: string[] }[];
    };
    expect(answer.joined).toMatchObject({ effect: 'dtv-front' });
    expect(Object.keys(answer)).toEqual(['causes', 'joined', 'settled', 'nextChecks']);
    expect(Object.keys(answer.causes[0] ?? {})).toEqual(['code', 'name', 'probability', 'terms']);
    expect(answer.causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
    expect(answer.nextChecks).toHaveLength(3);
  });

  test('lists every code with question, values and causes', () => {
    const { status, stdout } = zh(['diagnose', '--codes']);
    expect(status).toBe(0);
    const codes = JSON.parse(stdout) as { code: string; values: unknown; causes: string[] }[];
    expect(codes.length).toBeGreaterThan(35);
    expect(codes.find(({ code }) => code === 'felt')?.values).toContain('both');
    expect(codes.every(({ causes }) => causes.length > 0)).toBe(true);
  });

  test('refuses an unknown finding in words', () => {
    const { status, stdout, stderr } = zh(['diagnose'], '{"findings":[{"code":"aura"}]}');
    expect([status, stdout]).toEqual([2, '']);
    expect(JSON.parse(stderr)).toMatchObject({ error: { path: 'findings[0].code' } });
  });
});

describe('roadtest', () => {
  const drive = {
    parts: [
      { from: 25, to: 25, seconds: 12 },
      { from: 25, to: 10, seconds: 8 },
    ],
    diameter: 0.65,
    shakes: [{ order: 1, amplitude: 0.7, during: 'braking' as const, axis: 'x' as const }],
    noise: 0.1,
    rate: 100,
  };
  const file = path.join(os.tmpdir(), `zh-road-${process.pid}.csv`);
  beforeAll(() => fs.writeFileSync(file, logDrive(drive, seededRandom(2))));
  afterAll(() => fs.rmSync(file));

  test('answers with the strongest order and what it means', () => {
    const { status, stdout } = zh(['roadtest', file, '--rolling-diameter', '0.65']);
    expect(status).toBe(0);
    const result = JSON.parse(stdout) as { strongest: { order: number }; reading: string };
    expect(result.strongest.order).toBe(1);
    expect(result.reading).toMatch(/look at the brakes/);
  });

  test.each([
    [['--tyre', 'round'], 'tyre'],
    [[], 'diameter'],
    [['--tyre', '215/65R16', '--speed', 'fast'], 'speed'],
    [['--tyre', '215/65R16', '--map', 'wheel=a'], 'map'],
    [['--tyre', '215/65R16', '--quick'], 'usage'],
  ])('%j is refused with exit code 2', (options, code) => {
    const { status, stderr } = zh(['roadtest', file, ...options]);
    expect(status).toBe(2);
    expect((JSON.parse(stderr) as { error: { code: string } }).error.code).toBe(code);
  });

  test('a file that is missing, empty or binary is refused', () => {
    const bad = `${file}.bad`;
    const codeOf = (): string =>
      (
        JSON.parse(zh(['roadtest', bad, '--tyre', '215/65R16']).stderr) as {
          error: { code: string };
        }
      ).error.code;
    expect(codeOf()).toBe('file');
    fs.writeFileSync(bad, '');
    expect(codeOf()).toBe('empty');
    fs.writeFileSync(bad, Buffer.from([1, 0, 2, 0]));
    expect(codeOf()).toBe('binary');
    fs.rmSync(bad);
  });
});

describe('copies by command', () => {
  const work = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-copies-'));
  afterAll(() => fs.rmSync(work, { recursive: true, force: true }));
  const given = { ...process.env };
  afterAll(() => void Object.assign(process.env, given));
  /** What the command is told by its surroundings. */
  const told = (data: string) => ({
    ...{ INIT_CWD: work, PORT: '9', DATABASE_URL: '', ZESTY_HOUND_DATA: path.join(work, data) },
  });
  /** The command without a program of its own: what it says, or refuses with. */
  const copies = (data: string, ...args: string[]): Promise<string> => {
    Object.assign(process.env, told(data));
    return copyByCommand(args).catch((error: Error) => error.message);
  };
  /** The program as people start it. */
  const program = (data: string, ...args: string[]) =>
    spawnSync(
      process.execPath,
      [
        // A database that lives for one command is opened as the tests open theirs.
        ...process.execArgv,
        ...['--conditions=react-server', '--import', 'tsx', 'src/cli/backup.ts', ...args],
      ],
      { encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '', ...told(data) } },
    );

  test('a copy is made, put in place elsewhere, and never written over', async () => {
    for (const shop of ['one', 'two']) await shopIn(path.join(work, shop), 'empty');
    fs.rmSync(path.join(work, 'two', 'shop.key'), { force: true });
    const made = program('one', 'backup', 'copy.tar.gz');
    expect([made.stderr, made.status]).toEqual(['', 0]);
    expect(made.stdout).toContain('copy.tar.gz: 0 jobs');
    expect(await copies('one', 'backup', 'copy.tar.gz')).toContain('is there already');
    expect(await copies('two', 'restore', 'copy.tar.gz')).toContain('seal of this shop');
    const back = await copies('two', 'restore', 'copy.tar.gz', '--foreign');
    expect(back).toMatch(/0 jobs, 0 readings of .* are in place/);
    expect(fs.readdirSync(path.join(work, 'two', 'copies'))).toHaveLength(1);
  });

  test('what cannot be meant is said, with how it is meant', async () => {
    expect(await copies('three', 'restore', 'nothing.tar.gz')).toContain('There is no file');
    expect(await copies('three', 'backup')).toContain('npm run backup --');
    fs.writeFileSync(path.join(work, 'torn.tar.gz'), 'x');
    const torn = program('three', 'restore', 'torn.tar.gz');
    expect([torn.status, torn.stderr]).toEqual([
      1,
      expect.stringContaining('Nothing was changed') as string,
    ]);
  });
});
