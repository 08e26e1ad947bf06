import { and, desc, eq, inArray } from 'drizzle-orm';
import type { Database } from '../client';
import { torqueFigures } from '../schema';
import { isUnnamed, type Vehicle } from '../../core/job';
import { WHEEL_NUTS } from '../../core/procedure';

export type TorqueFigureRow = typeof torqueFigures.$inferSelect;
export type NewTorqueFigure = Omit<typeof torqueFigures.$inferInsert, 'id' | 'at'>;

/** What torque figures are kept by: alike in all of it, vehicles share them; one not named has its own. */
export type TorqueKey = Pick<
  TorqueFigureRow,
  'make' | 'model' | 'year' | 'drive' | 'variant' | 'wheel'
>;

/** What stands for the variant of a vehicle that was not named; `wholeJobQuestion` says the same. */
const ownVariant = (plate: string): string => `plate ${plate}`;

export const torqueKeyOf = (
  vehicle: Pick<Vehicle, 'plate' | 'make' | 'model'> &
    Partial<Pick<Vehicle, 'year' | 'drive' | 'variant' | 'wheel'>>,
): TorqueKey => ({
  make: vehicle.make,
  model: vehicle.model,
  year: vehicle.year ?? 0,
  drive: vehicle.drive ?? '',
  variant: isUnnamed(vehicle) ? ownVariant(vehicle.plate) : (vehicle.variant ?? ''),
  wheel: vehicle.wheel ?? '',
});

/** The torque figures on file for a vehicle and its like: those of its wheels before those of any. */
export const torqueFiguresOf = (db: Database, key: TorqueKey): Promise<TorqueFigureRow[]> =>
  db
    .select()
    .from(torqueFigures)
    .where(
      and(
        eq(torqueFigures.make, key.make),
        eq(torqueFigures.model, key.model),
        eq(torqueFigures.year, key.year),
        eq(torqueFigures.drive, key.drive),
        eq(torqueFigures.variant, key.variant),
        inArray(torqueFigures.wheel, ['', key.wheel]),
      ),
    )
    .orderBy(desc(torqueFigures.wheel));

/** Only what holds a wheel goes by what the wheel is made of. */
const ofItsWheel = <Figure extends Pick<NewTorqueFigure, 'fastener' | 'wheel'>>(
  figure: Figure,
): Figure => (figure.fastener === WHEEL_NUTS ? figure : { ...figure, wheel: '' });

/** Writes a figure over the one of the same key. */
export async function saveTorqueFigure(db: Database, entered: NewTorqueFigure): Promise<void> {
  const figure = ofItsWheel(entered);
  const { make, model, year, drive, variant, axle, fastener, wheel, ...own } = figure;
  await db
    .insert(torqueFigures)
    .values(figure)
    .onConflictDoUpdate({
      target: [
        torqueFigures.make,
        torqueFigures.model,
        torqueFigures.year,
        torqueFigures.drive,
        torqueFigures.variant,
        torqueFigures.axle,
        torqueFigures.fastener,
        torqueFigures.wheel,
      ],
      set: { ...own, at: new Date() },
    });
}

/** Brings a vehicle's own figures along when it is named; what its like has on file stands. */
export async function nameTorqueFigures(
  db: Database,
  before: Parameters<typeof torqueKeyOf>[0],
  after: Parameters<typeof torqueKeyOf>[0],
): Promise<void> {
  if (!isUnnamed(before) || isUnnamed(after)) return;
  const key = torqueKeyOf(after);
  const own = await torqueFiguresOf(db, torqueKeyOf(before));
  if (own.length === 0) return;
  const rows = own.map(({ id: _, ...figure }) => ofItsWheel({ ...figure, ...key }));
  await db.insert(torqueFigures).values(rows).onConflictDoNothing();
}
