import { logDrive, type DrivePart, type TrueShake } from '../../bench';
import { rollingDiameter } from '../../roadtest';
import { chanceOf, readCode } from '../code';
import { shownOf, type FindCase } from './findCase';

/** Metres a second, as a technician drives it: three times from 90 to 30 km/h. */
const [FAST, SLOW] = [25, 8.3];
const STOPS = 3;
const STOP: readonly DrivePart[] = [
  { from: FAST, to: SLOW, seconds: 6 },
  { from: SLOW, to: FAST, seconds: 12 },
  { from: FAST, to: FAST, seconds: 3 },
];
const PARTS: readonly DrivePart[] = [
  { from: FAST, to: FAST, seconds: 8 },
  ...Array.from({ length: STOPS }, () => STOP).flat(),
];
const RATE = 100;
const NOISE = 0.15;
/** The tyre of every car of practice. */
export const TYRE = '205/55R16';
/** An order at which no wheel turns: a propshaft’s. */
const DRIVELINE = 3.73;

/** What turns with the shake, by what a recording shows. */
const SHAKES: Readonly<Record<string, Omit<TrueShake, 'amplitude'>>> = {
  'braking-1': { order: 1, during: 'braking', axis: 'x' },
  'braking-2': { order: 2, during: 'braking', axis: 'x' },
  'braking-3': { order: 3, during: 'braking', axis: 'x' },
  'always-1': { order: 1, during: 'always', axis: 'y' },
  other: { order: DRIVELINE, during: 'always', axis: 'z' },
};

/** A drive with a recording: the phone’s log as CSV text, and the rolling diameter that it is read with, in metres. */
export interface RecordedDrive {
  readonly csv: string;
  readonly diameter: number;
}

/** The recording of a car, made by the virtual logger: it shows what the car has. */
export function driveOf(own: FindCase): RecordedDrive {
  const diameter = rollingDiameter(TYRE)!;
  const random = chanceOf(readCode(own.code)!);
  const shake = SHAKES[String(shownOf(own, 'recording').value)];
  const shakes = shake ? [{ ...shake, amplitude: 0.6 + 0.8 * random.uniform() }] : [];
  const drive = { parts: PARTS, diameter, shakes, noise: NOISE, rate: RATE, speedEvery: 1 };
  return { csv: logDrive(drive, random), diameter };
}
