import { assessCorner } from '@/core/assessment';
import { sweepOnce, drawFace, swingOf } from '@/core/bench';
import { cornerRecord } from '@/core/job';
import { seededRandom } from '@/core/numeric';
import { loadJob, openJobs } from '@/server/job/jobs';
import { importSets, setAsCase, setAsCsv } from '@/server/measure/exchange';
import { addLap, beginSet, saveReadings, saveSweep, setFile } from '@/server/measure/sets';
import { makeArchive, planImport, readArchive } from '@/server/records/archive';
import { historyOf } from '@/server/records/history';
import { readingsTable } from '@/server/records/tables';
import { fileReport } from '@/server/report/file';
import { jobNumber, standUpDemo } from './demo';
import { known } from './known';

const STUDS = 6;
const gauge = { resolution: 1, repeatability: 1 };
const random = seededRandom(21);
const face = drawFace('smooth', 40, random);
const turn = (seconds = 15) => ({
  ...sweepOnce(face, { gauge, limit: 50, rate: 20, seconds, studs: STUDS, most: 1 }, random),
  unit: 'mm' as const,
});

let jobId = '';
standUpDemo();
beforeAll(async () => {
  jobId = await jobNumber(110);
});

const begin = async (more: object = {}) =>
  known(
    await beginSet({
      ...{ jobId, corner: 'RL', phase: 'before', face: 'outboard', shift: 0 },
      ...{ kind: 'runout', positions: 240, sweep: true },
      ...more,
    }),
  );
const why = (answer: { ok: boolean; message?: string }): string =>
  answer.ok ? '' : (answer.message ?? '');

test('a sweep is a lap of a set: kept as the gauge sent it, read at even places', async () => {
  const { id } = await begin();
  const sweep = turn();
  expect(known(await saveSweep({ setId: id, lap: 0, sweep }))).toBe(240);
  const set = (await setFile(id))!;
  expect(set.sweeps).toEqual([sweep]);
  expect(set.readings).toHaveLength(241);
  // Sent twice, as after a lost answer, it is written once; another one is refused.
  expect(known(await saveSweep({ setId: id, lap: 0, sweep }))).toBe(240);
  expect(why(await saveSweep({ setId: id, lap: 0, sweep: turn() }))).toMatch(/swept already/);
  expect(why(await saveSweep({ setId: id, lap: 1, sweep: turn() }))).toMatch(/not the next/);
  known(await addLap(id));
  expect(known(await saveSweep({ setId: id, lap: 1, sweep: turn() }))).toBe(240);
  const job = (await loadJob(jobId))!;
  const { runout } = assessCorner(cornerRecord(job, 'RL', 'before'));
  expect(runout?.laps).toBe(2);
  expect(Math.abs(runout!.swept!.value - swingOf(face))).toBeLessThan(2);
  expect(runout?.next).toBeNull();
});

test('what is no sweep is refused in words, and nothing of it is written', async () => {
  const { id } = await begin();
  const whole = turn();
  const some = whole.times.map((_, i) => i % 6 === 0);
  const sparse = {
    ...whole,
    times: whole.times.filter((_, i) => some[i]),
    values: whole.values.filter((_, i) => some[i]),
  };
  expect(why(await saveSweep({ setId: id, lap: 0, sweep: sparse }))).not.toBe('');
  const odd = { ...whole, marks: whole.marks.slice(0, 4) };
  expect(why(await saveSweep({ setId: id, lap: 0, sweep: odd }))).toMatch(/2 of 5 studs/);
  const short = { ...whole, values: whole.values.slice(1) };
  expect(why(await saveSweep({ setId: id, lap: 0, sweep: short }))).not.toBe('');
  const typed = { readings: [{ lap: 0, position: 3, text: '0.012', unit: 'mm' }] };
  expect(why(await saveReadings(id, typed))).toMatch(/swept/);
  expect((await setFile(id))!.sweeps).toEqual([]);
  const plain = known(
    await beginSet({
      ...{ jobId, corner: 'RL', phase: 'before', face: 'outboard', shift: 0 },
      ...{ kind: 'runout', positions: 12 },
    }),
  );
  expect(why(await saveSweep({ setId: plain.id, lap: 0, sweep: whole }))).toMatch(/place by place/);
  expect((await beginSet({ ...plain, positions: 240 })).ok).toBe(false);
});

test('it is told in the file report, the history, the tables and the solver’s case', async () => {
  const { id } = await begin({ corner: 'RR' });
  known(await saveSweep({ setId: id, lap: 0, sweep: turn() }));
  const job = (await loadJob(jobId))!;
  const report = fileReport(job, 'mm').sets.find((set) => set.id === id)!;
  expect(report.about.join(' ')).toMatch(/Lap 1 swept: 300 readings in 15 s, 240 places/);
  expect(report.rows).toHaveLength(25);
  expect(report.rows[1]).toEqual({ place: '11', angle: '15°' });
  expect(JSON.stringify(await historyOf(job, { only: 'all' }))).toMatch(
    /1 lap, swept: 300 readings/,
  );
  let table = '';
  for await (const piece of readingsTable('point')) table += piece;
  expect(table.split('\n').filter((line) => line.includes(',RR,runout,'))).toHaveLength(241);
  const solver = (await setAsCase(id))!;
  expect(JSON.parse(solver.text)).toMatchObject({ sweep: { readings: 300 } });
  // Out as a table and in again it is the same runout, as even as a table is.
  const { text } = (await setAsCsv(id))!;
  expect(text.trim().split('\n')).toHaveLength(242);
  const form = { jobId, corner: 'RR', phase: 'before', kind: 'runout', face: 'outboard', shift: 0 };
  const [again] = known(await importSets({ ...form, text }));
  const [one, other] = [(await setFile(id))!, (await setFile(again!))!];
  expect(other.positions).toBe(240);
  one.readings.slice(1, 240).forEach(({ valueUm }, j) => {
    expect(Math.abs(other.readings[j + 1]!.valueUm - valueUm)).toBeLessThan(1.5);
  });
  const first = (lines: number): string => text.split('\n').slice(0, lines).join('\n');
  expect(why(await importSets({ ...form, text: first(200) }))).toMatch(/not go evenly once round/);
  expect(why(await importSets({ ...form, text: first(241) }))).toMatch(/closing reading/);
});

test('an archive carries what the gauge sent, and one that was made up is refused', async () => {
  const archive = (await makeArchive({ kind: 'job', id: jobId }))!;
  const bytes = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value));
  const plan = known(await planImport(known(readArchive(bytes(archive)))));
  expect(plan.tables.every(({ conflicts }) => conflicts.length === 0)).toBe(true);
  const rows = archive.tables.readingSets;
  const swept = rows.filter(({ sweeps }) => Array.isArray(sweeps) && sweeps.length > 0);
  expect(swept.length).toBeGreaterThanOrEqual(2);
  const broken = rows.map((row) =>
    row.id === swept[0]!.id ? { ...row, sweeps: [{ unit: 'mm', times: 'none' }] } : row,
  );
  const document = { ...archive, tables: { ...archive.tables, readingSets: broken } };
  expect(readArchive(bytes(document)).ok).toBe(false);
  // One that was made before there were sweeps has none.
  const older = rows.map(({ sweeps: _none, ...row }) => row);
  const before = { ...archive, tables: { ...archive.tables, readingSets: older } };
  expect(readArchive(bytes(before)).ok).toBe(true);
});

test('the list of jobs counts it as measured', async () => {
  const own = (await openJobs(1)).lines.find(({ id }) => id === jobId);
  expect(own?.measured).toBeGreaterThanOrEqual(2);
});
