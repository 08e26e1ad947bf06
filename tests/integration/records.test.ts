import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { csvParse, dsvFormat } from 'd3-dsv';
import ICAL from 'ical.js';
import { findAddress, findQuerySchema, findWords } from '@/core/contracts';
import { saveRecheck } from '@/db/repositories';
import { database } from '@/server/database';
import { comebackNumber, loadJob, openJob } from '@/server/job/jobs';
import { dueCalendar, dueList, duenessOf } from '@/server/records/due';
import { find, findQuickly } from '@/server/records/find';
import { jobsTable, rotorsTable } from '@/server/records/tables';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { ownerPdf } from '@/server/report/pdf';
import { replayLines, replayOf } from '@/server/practice/replay';
import { saveVehicle } from '@/server/shop/vehicles';
import { vehicleForm } from '@/features/vehicles/model';
import { signedOff } from '../support/people';
import { standUpDemo } from './demo';
import { known } from './known';

standUpDemo();

/** The demo job of a number, signed off ones among them. */
async function jobOf(number: number) {
  const { jobs } = await find({ q: String(number) });
  const line = jobs.find((each) => each.number === number);
  if (!line) throw new Error(`No job ${number}`);
  return (await loadJob(line.id))!;
}
const numbers = async (query: Record<string, string>): Promise<number[]> =>
  (await find(query)).jobs.map(({ number }) => number).sort();

describe('finding', () => {
  test.each<[string, Record<string, string>, number[]]>([
    ['a plate with its hyphens', { q: 'SK-077-R' }, [101, 112, 113]],
    ['a plate without them', { q: 'sk077' }, [101, 112, 113]],
    ['two words of a complaint', { q: 'quay passengers' }, [102]],
    ['the beginning of a word', { q: 'judd' }, [105]],
    ['a model', { q: 'folio' }, [104, 109, 111]],
    ['a confirmed cause', { cause: 'rust-under-hat' }, [101]],
    ['words of a cause', { q: 'rust' }, [101]],
    ['a corner and a vehicle', { q: 'shuttle', corner: 'FR' }, [107]],
    ['signed off', { state: 'closed' }, [101, 112]],
    ['nothing like it', { q: 'zzz' }, []],
    ['what means nothing', { q: '*!&|', state: 'closed' }, [101, 112]],
  ])('%s', async (_, query, expected) => {
    expect(await numbers(query)).toEqual(expected);
  });

  test('states, days, order and pages', async () => {
    expect((await find({ state: 'open' })).total).toBe(14);
    expect((await find({ state: 'to-decide' })).total).toBeGreaterThan(3);
    expect(await numbers({ state: 'to-prove' })).toEqual([102, 114, 115]);
    const states = ['to-measure', 'to-decide', 'to-correct', 'to-prove'] as const;
    const each = await Promise.all(states.map((state) => numbers({ state })));
    expect(each.flat().sort()).toEqual(await numbers({ state: 'open' }));
    expect((await find({ from: '2099-01-01' })).total).toBe(0);
    expect((await find({ to: '2099-01-01' })).total).toBe(16);
    expect((await find({ sort: 'oldest' })).jobs[0]!.number).toBe(101);
    expect((await find({ page: '9' })).jobs).toEqual([]);
    expect((await find({ comeback: '1' })).total).toBe(0);
  });

  test('an address keeps what is asked for, and an old one still opens', () => {
    const query = findQuerySchema.parse({ q: 'hub', state: 'closed', page: '2', comeback: '1' });
    expect(findAddress(query)).toBe('/find?q=hub&state=closed&comeback=1&page=2');
    expect(findQuerySchema.parse({ state: 'nope', page: '-1', cause: 'witchcraft' })).toMatchObject(
      {
        state: 'any',
        page: 1,
        cause: null,
      },
    );
    expect(findAddress(findQuerySchema.parse({}))).toBe('/find');
    expect(findWords("It's 2 FAST; drop table")).toEqual(['its', '2', 'fast', 'drop', 'table']);
  });

  test('the palette leads to jobs and vehicles by a few letters', async () => {
    const places = await findQuickly('042');
    expect(places.some(({ name }) => name.startsWith('SK-042-K · job'))).toBe(true);
    expect(places.some(({ name }) => name === 'SK-042-K · vehicle')).toBe(true);
    expect(await findQuickly('  ')).toEqual([]);
    expect((await findQuickly('100%')).length).toBe(0);
  });

  test('a vehicle that is renamed is found by its new plate, signed off jobs too', async () => {
    const { vehicle } = await jobOf(112);
    known(await saveVehicle(vehicle.id, { ...vehicleForm(vehicle), plate: 'SK-999-Q' }));
    expect(await numbers({ q: 'sk999' })).toEqual([101, 112, 113]);
    known(await saveVehicle(vehicle.id, { ...vehicleForm(vehicle), plate: vehicle.plate }));
    expect(await numbers({ q: 'sk999' })).toEqual([]);
  });
});

describe('what is due', () => {
  test('is told by day and by distance', () => {
    const today = new Date('2026-11-25T12:00:00');
    const due = (dueOn: string | null, dueKm: number | null, lastKm: number | null) =>
      duenessOf({ dueOn, dueKm, lastKm }, today);
    expect(due('2026-11-24', null, null)).toBe('overdue');
    expect(due('2026-11-25', null, null)).toBe('soon');
    expect(due('2027-06-01', null, null)).toBe('later');
    expect(due(null, 50_000, 50_001)).toBe('overdue');
    expect(due(null, 50_000, 49_950)).toBe('soon');
    expect(due(null, 50_000, null)).toBe('later');
  });

  test('stands in a list and in a calendar that a parser reads', async () => {
    const own = await jobOf(105);
    const recheck = { jobId: own.id, what: 'runout' as const, dueKm: null, by: 'Ines' };
    await saveRecheck(await database(), { ...recheck, dueOn: '2020-02-29' });
    const lines = await dueList();
    expect(lines[0]).toMatchObject({ number: 105, state: 'overdue', plate: 'SK-131-V' });
    expect(lines.some(({ what, dueKm }) => what === 'wheel-nuts' && dueKm !== null)).toBe(true);
    expect(await numbers({ due: '1' })).toEqual([105]);
    const calendar = new ICAL.Component(ICAL.parse(await dueCalendar()) as unknown[] as never);
    const events = calendar.getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
    expect(events).toHaveLength(1);
    expect(events[0]!.summary).toBe('SK-131-V: Sideways movement measured by 29 Feb 2020');
    expect(events[0]!.startDate.toString()).toBe('2020-02-29');
    expect(events[0]!.startDate.isDate).toBe(true);
  });
});

describe('the owner’s report', () => {
  test('says in plain words what was found, done and is due', async () => {
    const report = ownerReport(await jobOf(101), 'mm');
    expect(report.verdict?.state).toBe('cured');
    expect(report.found[0]).toMatch(/^Cause: rust or dirt between hub and rotor/);
    expect(report.found.join(' ')).toMatch(/Front right: the brake disc moved sideways .*too much/);
    expect(report.done).toEqual([
      'Front right: the brake disc was turned on its hub to the place where the two cancel out.',
      'Front right: hub face and hat brushed to bright metal.',
      'Brakes bedded in.',
    ]);
    expect(report.due).toEqual(['Wheel nuts checked with the torque wrench at 61275 km.']);
    expect(report.signed).toMatch(/^Ines, /);
    expect(report.plots[0]).toMatchObject({ corner: 'FR' });
    expect(report.plots[0]!.after).not.toBeNull();
  });

  test('a job that only was looked at says that nothing was changed', async () => {
    const report = ownerReport(await jobOf(102), 'thou');
    expect(report.found).toEqual([
      'Not everything is measured and judged yet: nothing can be said about its limits.',
    ]);
    expect(report.done).toEqual([]);
    expect(report.figures[0]!.limit).toMatch(/thou/);
  });

  test('is one page of PDF: text to select, fonts in it, tagged', async () => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-pdf-'));
    for (const number of [101, 105, 112, 113]) {
      const pdf = path.join(folder, `${number}.pdf`);
      fs.writeFileSync(pdf, await ownerPdf(ownerReport(await jobOf(number), 'mm')));
      const text = execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' });
      expect(text).toContain('Brake report');
      expect(text).toContain('What we found');
      expect(text).toMatch(/F[LR]\s+Sideways movement\s+0\.\d{3}\s*mm/);
      expect(text).toContain('Please mind');
      const info = execFileSync('pdfinfo', [pdf], { encoding: 'utf8' });
      expect(info).toMatch(/Pages:\s+1\n/);
      expect(info).toMatch(/Tagged:\s+yes/);
      const fonts = execFileSync('pdffonts', [pdf], { encoding: 'utf8' }).split('\n').slice(2);
      const rows = fonts.filter((line) => line.trim() !== '');
      expect(rows.length).toBeGreaterThan(0);
      for (const row of rows) expect(row).toMatch(/yes yes yes\s/);
    }
    fs.rmSync(folder, { recursive: true, force: true });
  });
});

test('the file report holds every reading, its uncertainty and who did what', async () => {
  const job = await jobOf(101);
  const report = fileReport(job, 'mm');
  expect(report.sets).toHaveLength(job.sets.length);
  const read = report.sets.flatMap(({ laps }) => laps.flat()).filter((text) => text !== '–');
  expect(read).toHaveLength(job.sets.reduce((sum, set) => sum + set.readings.length, 0));
  expect(report.sets[0]!.about.join(' ')).toMatch(/standard uncertainty of one averaged reading/);
  expect(report.steps.some(({ by, say }) => by === 'Tobiah' && /Caliper on: done/.test(say))).toBe(
    true,
  );
});

test('a comeback is linked to the earlier job of the same axle, and of no other', async () => {
  const earlier = await jobOf(101);
  const { vehicle } = earlier;
  const form = { vehicleId: vehicle.id, complaint: 'Back.', odometerKm: '', corners: ['FR'] };
  const other = { ...form, comebackOf: earlier.id, corners: ['RL'] };
  expect(await openJob(other)).toMatchObject({ ok: false, message: expect.stringMatching(/axle/) });
  const elsewhere = { ...form, vehicleId: (await jobOf(105)).vehicle.id, comebackOf: earlier.id };
  expect(await openJob(elsewhere)).toMatchObject({
    message: expect.stringMatching(/another vehicle/),
  });
  const id = known(await openJob({ ...form, comebackOf: earlier.id }));
  // 2026-11-30: no page of the job said so.
  expect(await comebackNumber((await loadJob(id))!.comebackOf)).toBe(101);
  expect((await find({ comeback: '1' })).jobs.map((each) => each.id)).toEqual([id]);
  await signedOff(id);
});

test('jobs and rotors go out as tables that a spreadsheet opens', async () => {
  const jobs = csvParse((await jobsTable('point')).text);
  expect(jobs).toHaveLength(17);
  expect(jobs.find(({ job: number }) => number === '101')).toMatchObject({
    plate: 'SK-077-R',
    signed_by: 'Ines',
    confirmed_cause: 'Rust or dirt between hub and rotor',
    odometer_km: '61200',
  });
  expect(jobs.at(-1)).toMatchObject({ comeback_of_job: '101', corners: 'FR' });
  const rotors = dsvFormat(';').parse((await rotorsTable('comma')).text);
  const cut = rotors.find(({ job: number }) => number === '115');
  expect(cut).toMatchObject({ plate: 'SK-131-V', corner: 'FR', what: 'cut' });
  expect(cut!.thinnest_after_mm).toBe('27,36');
});

describe('a job that is worked again', () => {
  test('holds what was found, its readings, and what it was signed with; an open one does not', async () => {
    const replay = replayOf(await jobOf(101), 'mm')!;
    expect(replay).toMatchObject({ number: 101, axle: 'front', causes: ['rust-under-hat'] });
    expect(replay.found.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['felt', 'runout', 'thickness-variation']),
    );
    const [first] = replay.sets;
    expect(first).toMatchObject({ kind: 'runout', corner: 'FR', shift: 0, isAsFound: false });
    // A face about its mean, as it was read.
    expect(first!.values).toHaveLength(12);
    expect(first!.values.reduce((sum, value) => sum + value, 0)).toBeCloseTo(0);
    expect(replay.told.done.join(' ')).toMatch(/turned on its hub/);
    expect(replayOf(await jobOf(105), 'mm')).toBeNull();
    // Every signed job, and no open one.
    const lines = (await replayLines()).map(({ number }) => number);
    expect(lines).toEqual(expect.arrayContaining([101, 112]));
    expect(lines).not.toContain(105);
  });
});
