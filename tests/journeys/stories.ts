import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { CORNER_NAME } from '@/core/readings';
import { rebuildSteps, readJob, seatAt, seatToFit, type Correction } from '@/core/job';
import { saySeat } from '@/core/assessment';
import { makeArchive } from '@/server/records/archive';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { ownerPdf } from '@/server/report/pdf';
import type { Journey } from './journey';

/** Largest difference between what a report says and what truly was, in mm: gauge and fit. */
const AS_READ_MM = 0.006;

/** What the owner is told was done, by what was. */
const TOLD: Readonly<Record<Correction, RegExp | null>> = {
  leave: null,
  index: /turned on its hub/,
  clean: /seat between hub and brake disc was cleaned/,
  plate: /tapered plate/,
  'machine-on-vehicle': /machined true on the vehicle/,
  'machine-bench': /machined true on the lathe/,
  replace: /new brake disc was fitted/,
  hub: /hub or wheel bearing was renewed/,
  'hub-replace': /hub or wheel bearing and brake disc were renewed/,
};

const flat = (text: string): string => text.replaceAll(/\s+/g, ' ');

/** The text of the owner’s PDF, as somebody reads it. */
async function pdfText(report: ReturnType<typeof ownerReport>): Promise<string> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-journey-'));
  try {
    const file = path.join(folder, 'owner.pdf');
    fs.writeFileSync(file, await ownerPdf(report));
    return flat(execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }));
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * Holds every screen, both reports, the PDF and the archive of a signed job against what truly was
 * and against each other.
 */
export async function expectOneStory(
  journey: Journey,
  expected: Readonly<Partial<Record<string, Correction>>>,
): Promise<void> {
  const job = await journey.job();
  const reading = readJob(job);
  const owner = ownerReport(job, 'mm');
  const file = fileReport(job, 'mm');
  const pdf = await pdfText(owner);
  expect(job.closedAt).not.toBeNull();

  for (const { corner, before, after, shift } of journey.stories()) {
    const decision = job.decisions.find((each) => each.corner === corner);
    const correction = expected[corner] ?? 'leave';
    expect([corner, decision?.correction]).toEqual([corner, correction]);
    // Seat: of the job, of the rebuild step, of the file.
    expect([corner, seatAt(job, corner).shift]).toEqual([corner, shift]);
    const fits = seatToFit(job, corner);
    const step = rebuildSteps(job, corner).find(({ code }) => code === 'rotor-on');
    if (fits !== null) {
      const where = reading.corner(corner, 'before').record;
      const words =
        fits === 0 ? 'where it was marked first' : saySeat(where, fits).split(' of ')[0];
      expect(step?.say).toContain(words);
      expect(file.seats.filter(({ say }) => say.startsWith(corner)).at(-1)?.say).toContain(
        fits === 0 ? 'as first marked' : words,
      );
    }
    // Figures before and after, in the report and the PDF.
    const row = owner.figures.find(
      (each) => each.corner === corner && each.what === 'Sideways movement',
    );
    expect(Math.abs(parseFloat(row?.before ?? '') - before / 1000)).toBeLessThan(AS_READ_MM);
    expect(Math.abs(parseFloat(row?.after ?? '') - after / 1000)).toBeLessThan(AS_READ_MM);
    expect(pdf).toContain(`${corner} Sideways movement`);
    // The bench of Prove says that it is proven, never to look elsewhere.
    if (correction !== 'leave') {
      expect([corner, reading.corner(corner, 'after').advice.kind]).toEqual([corner, 'proven']);
    }
    // What was done, and that what was not done is not told.
    const told = owner.done.filter((say) =>
      say.toLowerCase().startsWith(CORNER_NAME[corner].toLowerCase()),
    );
    const wanted = TOLD[correction];
    expect(told.some((say) => wanted?.test(say) ?? false)).toBe(wanted !== null);
    for (const [other, words] of Object.entries(TOLD)) {
      if (words && other !== correction) expect(told.join(' ')).not.toMatch(words);
    }
    if (decision)
      expect(file.decisions.map(({ say }) => say)).toContain(`${corner}: ${decision.words}`);
  }
  // One verdict everywhere.
  expect(reading.outcome).toMatchObject({ state: 'cured', left: [] });
  expect(owner.verdict?.state).toBe('cured');
  expect(pdf).toContain('The complaint is cured');
  for (const say of [...owner.found, ...owner.done]) expect(pdf).toContain(flat(say));
  expect(owner.mustNotMove).toEqual([]);
  expect(file.sets).toHaveLength(job.sets.length);
  for (const { key, state } of reading.stages) expect([key, state]).not.toEqual([key, 'open']);
  const archive = await makeArchive({ kind: 'job', id: job.id });
  expect(archive?.tables.decisions.map(({ words }) => words).sort()).toEqual(
    job.decisions.map(({ words }) => words).sort(),
  );
  expect(archive?.tables.readingSets).toHaveLength(job.sets.length);
}
