import fs from 'node:fs';
import { parseArgs } from 'node:util';
import type { Problem } from '../core/contracts';
import {
  checkFile,
  joinParts,
  LOOK_BYTES,
  lookAtLog,
  planOf,
  rollingDiameter,
  ROLES,
  solveRoadTest,
  UnusableRecording,
  type Recording,
  type Role,
  type RoadTestResult,
} from '../core/roadtest';
import { isBadUse } from './badUse';
import { readHalves } from './recordingHalves';

const refuse = (code: string, message: string, path = ''): never => {
  throw new UnusableRecording(code, message, path);
};

/** The first bytes of a file, after what can be told from its size. */
function lookAt(file: string): Buffer {
  const stat = fs.statSync(file, { throwIfNoEntry: false });
  if (!stat?.isFile()) return refuse('file', `There is no file ${file}.`);
  const handle = fs.openSync(file, 'r');
  const start = Buffer.alloc(LOOK_BYTES);
  const read = fs.readSync(handle, start, 0, LOOK_BYTES, 0);
  fs.closeSync(handle);
  checkFile(stat.size, start.subarray(0, read));
  return start.subarray(0, read);
}

/** Reads a log from disk. */
async function readLog(
  file: string,
  map: Readonly<Partial<Record<Role, string>>>,
): Promise<Recording> {
  const start = lookAt(file);
  const layout = lookAtLog(start.toString('utf8'), start.length < LOOK_BYTES);
  return joinParts(await readHalves(file, planOf(layout, map), layout.delimiter));
}

const SPEED = /^\s*(\d+(?:[.,]\d+)?)\s*(km\/?h|kph|mph|m\/s)\s*$/i;
const SPEED_FACTOR: Readonly<Record<string, number>> = {
  kmh: 1 / 3.6,
  kph: 1 / 3.6,
  mph: 0.44704,
  ms: 1,
};

function readSpeed(text: string | undefined): number | undefined {
  if (text === undefined) return undefined;
  const [, figure = '', unit = ''] = SPEED.exec(text) ?? [];
  const factor = SPEED_FACTOR[unit.toLowerCase().replace('/', '')];
  if (factor === undefined) {
    return refuse('speed', `"${text}" is no speed. Write it like 80km/h or 50mph.`, '--speed');
  }
  return Number(figure.replace(',', '.')) * factor;
}

function readDiameter(tyre: string | undefined, diameter: string | undefined): number {
  if (tyre !== undefined) {
    return (
      rollingDiameter(tyre) ??
      refuse('tyre', `"${tyre}" is no tyre code. Write it like 215/65R16.`, '--tyre')
    );
  }
  const metres = Number((diameter ?? '').replace(',', '.'));
  if (metres >= 0.3 && metres <= 1.5) return metres;
  return refuse(
    'diameter',
    'Give the tyre, like --tyre 215/65R16, or its rolling diameter in metres, like --rolling-diameter 0.66.',
    '--rolling-diameter',
  );
}

function readMap(text: string | undefined): Partial<Record<Role, string>> {
  const map: Partial<Record<Role, string>> = {};
  for (const pair of text?.split(',') ?? []) {
    const [name, column] = pair.split('=');
    const role = ROLES.find((each) => each === name?.trim());
    if (!role || !column) {
      return refuse('map', `"${pair}" is not understood. Write it like time=t,x=ax.`, '--map');
    }
    map[role] = column;
  }
  return map;
}

const TEXT = { type: 'string' } as const;
const OPTIONS = { tyre: TEXT, 'rolling-diameter': TEXT, speed: TEXT, map: TEXT };

/** The file and the options of the command line. */
function readArguments(args: readonly string[]) {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      options: OPTIONS,
      allowPositionals: true,
    });
    const [file, ...rest] = positionals;
    if (rest.length > 0) return refuse('usage', `"${rest[0]}" is not understood.`);
    return { file: file ?? refuse('usage', 'Name the recording, a CSV file.'), options: values };
  } catch (error) {
    if (!isBadUse(error)) throw error;
    return refuse('usage', error.message);
  }
}

/** Reads and solves a recording as the command line says; problems come back as values. */
export async function roadTest(
  args: readonly string[],
): Promise<{ ok: true; result: RoadTestResult } | { ok: false; problem: Problem }> {
  try {
    const { file, options } = readArguments(args);
    const diameter = readDiameter(options.tyre, options['rolling-diameter']);
    const speed = readSpeed(options.speed);
    const recording = await readLog(file, readMap(options.map));
    return { ok: true, result: solveRoadTest({ recording, diameter, speed }) };
  } catch (error) {
    if (!(error instanceof UnusableRecording)) throw error;
    return { ok: false, problem: { code: error.code, message: error.message, path: error.path } };
  }
}
