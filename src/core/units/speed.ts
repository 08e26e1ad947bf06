import type { UnitSystem } from './formatLength';

/** A speed in metres a second. */
const FACTOR: Readonly<Record<SpeedUnit, number>> = { 'km/h': 3.6, mph: 1 / 0.44704 };

export type SpeedUnit = 'km/h' | 'mph';

/** The unit that a shop reads speed in: kilometres an hour, or miles where it reads inches. */
export const speedUnit = (units: UnitSystem): SpeedUnit => (units === 'mm' ? 'km/h' : 'mph');

/** A speed in m/s as a figure in a unit. */
export const fromMetresPerSecond = (speed: number, unit: SpeedUnit): number => speed * FACTOR[unit];

/** A figure in a unit as a speed in m/s. */
export const toMetresPerSecond = (figure: number, unit: SpeedUnit): number => figure / FACTOR[unit];
