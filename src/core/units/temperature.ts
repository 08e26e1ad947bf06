import type { Celsius } from './quantity';

export type TemperatureUnit = 'C' | 'F';

/** A temperature given in `unit`, in degrees Celsius. */
export function toCelsius(value: number, unit: TemperatureUnit): Celsius {
  return unit === 'C' ? value : ((value - 32) * 5) / 9;
}
