import { readFileSync } from 'node:fs';
import path from 'node:path';

/** One worked case: a solver's input and what an independent reference makes of it. */
export interface GoldenCase<Expected> {
  readonly case: unknown;
  readonly expected: Expected;
}

/** The worked cases of one solver, a line each. Throws when there are none. */
export function readCases<Expected>(name: string): GoldenCase<Expected>[] {
  const file = path.join(__dirname, 'cases', `${name}.jsonl`);
  const lines = readFileSync(file, 'utf8').split('\n').filter(Boolean);
  if (lines.length === 0) throw new Error(`${file} holds no case`);
  return lines.map((line) => JSON.parse(line) as GoldenCase<Expected>);
}

/** Tolerances of agreement: lengths in µm, angles in degrees. */
export const LENGTH_TOLERANCE = 0.1;
export const ANGLE_TOLERANCE = 0.1;

/** Expects two lengths in µm to agree. */
export function expectLength(actual: number, expected: number): void {
  expect(Math.abs(actual - expected)).toBeLessThanOrEqual(LENGTH_TOLERANCE);
}

/** Expects two angles in degrees to agree, round the turn of `period`. */
export function expectAngle(actual: number, expected: number, period = 360): void {
  const apart = Math.abs(actual - expected) % period;
  expect(Math.min(apart, period - apart)).toBeLessThanOrEqual(ANGLE_TOLERANCE);
}
