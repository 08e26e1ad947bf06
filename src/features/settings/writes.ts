import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const setting = <Value>(name: string, input: unknown, about: string): Promise<KeptAnswer<Value>> =>
  keepWrite({
    ...{ name, input, about, place: name, jobId: null, refresh: 'by-writer' },
    // The units are chosen on any page, and a choice shows what it replaces by itself.
    ...(name === 'units' ? {} : { replaces: { room: 'shop', as: 'shown' } }),
  });

/** Chooses the shop’s units; every screen follows. */
export const writeUnits = (units: string): Promise<KeptAnswer<string>> =>
  setting('units', units, 'the shop’s units');

/** Chooses the shop’s unit of torque. */
export const writeTorqueUnit = (unit: string): Promise<KeptAnswer<string>> =>
  setting('torque-unit', unit, 'the unit of torque');

/** Chooses the positions that a new set begins with. */
export const writePositions = (positions: number | null): Promise<KeptAnswer<number | null>> =>
  setting('positions', positions, 'the usual number of positions');
