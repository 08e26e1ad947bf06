import type { Celsius } from './quantity';

export type TemperatureUnit = 'C' | 'F';

/** A temperature given in `unit`, in degrees Celsius. */
export function toCelsius(value: number, unit: TemperatureUnit): Celsius {
  return unit === 'C' ? value : ((value - 32) * 5) / 9;
}

/** The unit behind a spelling like "°F" or "c"; null where it is none. */
export function temperatureUnitOf(spelling: string): TemperatureUnit | null {
  const plain = spelling.replace('°', '').trim().toUpperCase();
  return plain === 'C' || plain === 'F' ? plain : null;
}
