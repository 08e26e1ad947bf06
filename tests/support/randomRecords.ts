import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { isNull } from 'drizzle-orm';
import { loadHistory } from '@/cli/history/load';
import {
  additions,
  findings,
  findingsAside,
  gauges,
  jobs,
  people,
  photoBlobs,
  photos,
  readingChanges,
  readingSets,
  rechecks,
  settings,
  torqueFigures,
  trayParts,
} from '@/db/schema';
import { database } from '@/server/database';

/** Text that people and machines may leave: any letters and signs, lines, quotes; no NUL, which no text column takes. */
const text = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 40 })
  .map((some) => some.replaceAll('\u0000', '').trim() || 'x');
const when = fc.date({
  min: new Date('2001-01-01T00:00:00Z'),
  max: new Date('2026-01-01T00:00:00Z'),
  noInvalidDate: true,
});
const bytes = fc.uint8Array({ minLength: 1, maxLength: 4000 });
const corner = fc.constantFrom('FL', 'FR');

/** Fills an empty shop with a history and with random rows in every table beside it, photos among them. */
export async function scatterRecords(seed: number): Promise<void> {
  const db = await database();
  const from = new Date('2025-01-01T08:00:00Z');
  await loadHistory(db, { jobs: 24, open: 6, seed, from, days: 300 });
  const draw = <Value>(what: fc.Arbitrary<Value>, count: number): Value[] =>
    fc.sample(what, { numRuns: count, seed });
  const open = await db.select().from(jobs).where(isNull(jobs.closedAt));
  const sets = (await db.select().from(readingSets)).filter(({ jobId }) =>
    open.some(({ id }) => id === jobId),
  );
  const texts = [...new Set(draw(text, 60))];
  const times = draw(when, 60);
  const say = (i: number): string => texts[i % texts.length] ?? '';
  const at = (i: number): Date => times[i % times.length] ?? from;
  await db
    .insert(people)
    .values(texts.slice(0, 5).map((name) => ({ name, role: 'lead' as const })));
  await db.insert(settings).values([
    { key: 'units', value: 'thou' },
    { key: 'other', value: { deep: [say(1), null, 1.5, { [say(2)]: true }] } },
  ]);
  await db.insert(gauges).values(
    draw(
      fc.record({ resolutionUm: fc.double({ min: 0.1, max: 20, noNaN: true }), name: text }),
      5,
    ).map((gauge, i) => ({
      ...gauge,
      kind: 'dial' as const,
      repeatabilityUm: 1.5,
      due: '2027-02-28',
      retiredAt: at(i),
    })),
  );
  await db.insert(torqueFigures).values(
    texts.slice(0, 8).map((model, i) => ({
      ...{ make: 'Pellick', model, year: 2000 + i, drive: '', variant: '', axle: 'front' as const },
      ...{ fastener: 'wheel-nut', valueNm: 100 + i / 7, text: say(i), unit: 'N·m' },
      ...{ stages: [0.5, 1], source: 'maker' as const },
    })),
  );
  for (const [i, { id: jobId }] of open.entries()) {
    const [place = 'FL'] = draw(corner, 1);
    await db.insert(findings).values({ jobId, code: say(i), corner: place, value: say(i + 1) });
    await db.insert(findingsAside).values({ jobId, code: say(i) });
    await db
      .insert(rechecks)
      .values({ jobId, what: 'thickness', dueKm: 5 * i, dueOn: '2027-01-31' });
    await db.insert(additions).values({ jobId, text: say(i + 2), by: say(i + 3), at: at(i) });
    const [part] = await db
      .insert(trayParts)
      .values({
        ...{ jobId, corner: place, kind: null, name: say(i), place: say(i + 4) },
        ...{ orientation: '', mark: say(i + 5), fate: 'renew' as const, takenAt: at(i) },
      })
      .returning();
    const [picture = new Uint8Array([i]), thumb = new Uint8Array([i])] = fc.sample(bytes, {
      numRuns: 2,
      seed: seed + i,
    });
    const sha256 = createHash('sha256').update(picture).digest('hex');
    await db
      .insert(photoBlobs)
      .values({ sha256, mime: 'image/jpeg', width: 4, height: 3, picture, thumb })
      .onConflictDoNothing();
    await db.insert(photos).values({
      ...{ jobId, corner: place, partId: part?.id ?? null, sha256 },
      ...{ caption: say(i), by: null, takenAt: at(i + 1) },
    });
  }
  for (const [i, { id: setId }] of sets.entries()) {
    await db.insert(readingChanges).values({
      ...{ setId, lap: 0, position: i % 5, valueUm: i / 3, text: say(i), unit: 'mm' },
      takenAt: at(i),
    });
  }
}
