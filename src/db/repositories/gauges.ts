import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Database } from '../client';
import { gauges } from '../schema';

export type GaugeRow = typeof gauges.$inferSelect;
export type NewGaugeRow = typeof gauges.$inferInsert;

/** The gauges in use, by kind and name. */
export const listGauges = (db: Database): Promise<GaugeRow[]> =>
  db
    .select()
    .from(gauges)
    .where(isNull(gauges.retiredAt))
    .orderBy(asc(gauges.kind), asc(gauges.name));

/** Every gauge, in use or not: sets were read with it. */
export const listEveryGauge = (db: Database): Promise<GaugeRow[]> =>
  db.select().from(gauges).orderBy(asc(gauges.kind), asc(gauges.name));

/** One gauge, in use or retired, or null. */
export async function findGauge(db: Database, id: string): Promise<GaugeRow | null> {
  const [row] = await db.select().from(gauges).where(eq(gauges.id, id));
  return row ?? null;
}

/** The gauge that is taken for new sets of its kind, or null. */
export async function findUsualGauge(
  db: Database,
  kind: GaugeRow['kind'],
): Promise<GaugeRow | null> {
  const [row] = await db
    .select()
    .from(gauges)
    .where(and(eq(gauges.kind, kind), eq(gauges.isUsual, true), isNull(gauges.retiredAt)));
  return row ?? null;
}

/** Writes a gauge, new or changed; the usual one of a kind is one. Returns its id. */
export const saveGauge = (db: Database, gauge: NewGaugeRow): Promise<string> =>
  db.transaction(async (tx) => {
    if (gauge.isUsual) {
      await tx.update(gauges).set({ isUsual: false }).where(eq(gauges.kind, gauge.kind));
    }
    const { id, ...values } = gauge;
    const [row] = id
      ? await tx.update(gauges).set(values).where(eq(gauges.id, id)).returning({ id: gauges.id })
      : await tx.insert(gauges).values(values).returning({ id: gauges.id });
    if (!row) throw new Error('The gauge was not written');
    return row.id;
  });

/** Takes a gauge out of use; sets read with it keep its name. */
export async function retireGauge(db: Database, id: string): Promise<void> {
  await db.update(gauges).set({ retiredAt: new Date(), isUsual: false }).where(eq(gauges.id, id));
}
