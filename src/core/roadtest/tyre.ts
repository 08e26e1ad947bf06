/** Rolling diameter over unloaded diameter of a tyre. Source: handbook 13. */
const ROLLING = 0.965;
const MM_PER_INCH = 25.4;
const TYRE_CODE = /^\s*(\d{3})\s*\/\s*(\d{2})\s*Z?R\s*(\d{2})\s*C?\s*$/i;

/**
 * Rolling diameter in metres from a tyre code like 215/65R16, or null when it is none:
 * D = rim·25.4 + 2·W·A/100 mm, rolling at 0.965 of it. Source: handbook 13.
 */
export function rollingDiameter(code: string): number | null {
  const match = TYRE_CODE.exec(code);
  if (!match) return null;
  const [width = NaN, aspect = NaN, rim = NaN] = match.slice(1).map(Number);
  return (ROLLING * (rim * MM_PER_INCH + (2 * width * aspect) / 100)) / 1000;
}

/** Turns of the wheel a second at a speed in m/s; diameter in metres. */
export const wheelFrequency = (speed: number, diameter: number): number =>
  speed / (Math.PI * diameter);
