import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/**
 * npm run drill -- --guards: takes every guard out once, in a copy of the sources, and sees that
 * the sequences of writes then get round a stop, or the named regressions fail. A guard whose loss
 * nothing notices is guarded by nothing.
 */
interface Guard {
  readonly name: string;
  readonly file: string;
  readonly out: string;
  readonly instead: string;
}

const guard = (name: string, file: string, out: string, instead = ''): Guard => ({
  ...{ name, file, out, instead },
});

const DANGER = 'src/core/job/danger.ts';
const PAST = 'src/core/job/past.ts';
const READY = 'src/core/procedure/readiness.ts';

const GUARDS: readonly Guard[] = [
  guard(
    'looks and answers taken back',
    PAST,
    '[...looksTakenBack(job), ...findingsTakenBack(job)]',
    '[] as TakenBack[]',
  ),
  guard('thin readings gone', DANGER, '  ...thinReadingsGone(job),\n'),
  guard('work taken back', DANGER, '  ...workTakenBack(job),\n'),
  guard('a sunk pedal taken back', DANGER, '  ...sinkTakenBack(job, pedal),\n'),
  guard('the stricter figure', PAST, 'if (changed.length === 0 && studs.length === 0)', 'if (job)'),
  guard('below discard', DANGER, 'now < discard\n', 'false\n'),
  guard(
    'every phase’s readings',
    DANGER,
    "(['as-found', 'before', 'after'] as const)",
    "(['after'] as const)",
  ),
  guard('what keeps it off the road', READY, '...state.offTheRoad.map(', '...[].map('),
  guard('a pedal that sank', READY, "if (state.pedal.held === 'sank')", 'if (false)'),
  guard('a caliper off its rotor', READY, 'if (caliperOff) return [caliperOffAt(state)];'),
  guard(
    'answers that keep it',
    DANGER,
    "if (code !== 'noise') return [say];",
    'if (job) return [];',
  ),
  guard(
    'grinding is ended by pads or metal',
    DANGER,
    'const isWorkedOn = isGrindingSettled(job);',
    'const isWorkedOn = job.checks.length > 0;',
  ),
  guard(
    'a minute of its own after every pumping',
    'src/core/job/readiness.ts',
    'hold.seq > Math.max(lastMoved(job), firm)',
    'hold.seq >= lastMoved(job)',
  ),
  guard(
    'a caliper-off that was taken back',
    'src/core/job/rebuildSteps.ts',
    "place === corner && value === 'done' && codes.includes(item)",
    'false',
  ),
  guard(
    'bolts that came out again',
    'src/core/job/readiness.ts',
    'row.seq >= offSince(job, corner, fastener)',
    'true',
  ),
  guard(
    'pistons that moved and were said not to have',
    'src/core/job/readiness.ts',
    'return Math.max(stands, ...gone);',
    'return stands;',
  ),
  guard(
    'put right is what was found',
    'src/core/job/roles.ts',
    '!look || look.found.length === 0',
    'false',
  ),
  guard('what was taken back blocks', READY, '...state.takenBack.map(', '...[].map('),
  guard(
    'roles',
    'src/server/writes/useCases.ts',
    'if (why !== null && !isFirst) return refuse(why);',
  ),
  guard('put right is shown', 'src/server/job/checks.ts', 'if (early !== null) return early;'),
  guard(
    'what blocks a sign-off',
    'src/server/signoff/signOff.ts',
    'if (blocks.length > 0)',
    'if (false)',
  ),
  guard(
    'taken back by name and with a reason',
    'src/server/job/checks.ts',
    'if (back) return back;',
  ),
  guard(
    'a part to be renewed, taken back with a reason',
    'src/server/job/takingBack.ts',
    "kind === 'look' ? faultsBack(job, take, by) : null",
    'null',
  ),
  guard(
    'a part to be renewed, open until it is answered',
    'src/core/job/signOff.ts',
    '      ...foundAndGone(job),\n',
  ),
  guard(
    'within only where it may be driven',
    'src/core/job/standing.ts',
    '      mustNotMove.length === 0 &&\n',
  ),
  guard(
    'a document that warns',
    'src/server/report/owner.ts',
    'outcome && mustNotMove.length === 0',
    'outcome',
  ),
];

const TESTS = ['everyPair', 'safety', 'sequences'] as const;

/** Runs a test file in a folder; whether it failed. */
const fails = (folder: string, test: string): boolean =>
  spawnSync('npx', ['jest', '--bail', `integration/${test}`], {
    cwd: folder,
    stdio: 'ignore',
    env: { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
  }).status !== 0;

/** Takes every guard out once; answers with those whose loss nothing noticed. */
export function withoutGuards(): readonly string[] {
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-guards-'));
  const root = process.cwd();
  for (const part of ['src', 'tests', 'package.json', 'tsconfig.json', 'jest.config.mjs']) {
    cpSync(path.join(root, part), path.join(folder, part), { recursive: true });
  }
  symlinkSync(path.join(root, 'node_modules'), path.join(folder, 'node_modules'));
  const unnoticed: string[] = [];
  for (const { name, file, out, instead } of GUARDS) {
    const place = path.join(folder, file);
    const whole = readFileSync(place, 'utf8');
    if (!whole.includes(out)) throw new Error(`${file} has no “${out}” any more`);
    writeFileSync(place, whole.replace(out, instead));
    const seenBy = TESTS.find((test) => fails(folder, test));
    writeFileSync(place, whole);
    console.log(`${name}: ${seenBy ? `seen by ${seenBy}` : 'NOTHING NOTICED'}`);
    if (!seenBy) unnoticed.push(name);
  }
  rmSync(folder, { recursive: true, force: true });
  return unnoticed;
}
