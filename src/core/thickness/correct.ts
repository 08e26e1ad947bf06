import type { Laps } from '../readings';
import type { Celsius, Micrometres } from '../units';

/** Linear expansion per kelvin of grey cast iron and of a steel micrometer. Source: handbook 3. */
const EXPANSION_IRON = 10.8e-6;
const EXPANSION_STEEL = 11.5e-6;
const REFERENCE: Celsius = 20;

export interface Temperatures {
  readonly rotor: Celsius;
  /** 20 °C when left out. */
  readonly micrometer?: Celsius | undefined;
}

/** The factor that brings a thickness read at these temperatures to 20 °C. */
export function temperatureFactor(temperatures: Temperatures | undefined): number {
  if (!temperatures) return 1;
  const steel = 1 + EXPANSION_STEEL * ((temperatures.micrometer ?? REFERENCE) - REFERENCE);
  return steel / (1 + EXPANSION_IRON * (temperatures.rotor - REFERENCE));
}

/** Laps less the micrometer's zero error, brought to 20 °C; micrometres. */
export const correctLaps = (laps: Laps, zeroError: Micrometres, factor: number): Micrometres[][] =>
  laps.map((lap) => lap.map((value) => (value - zeroError) * factor));
