import { z } from 'zod';
import { checkClosure, LENGTH_KINDS } from '../readings';
import { solveIndex, type IndexInput, type IndexResult, type Mounting } from '../indexing';
import {
  anglesSchema,
  checkAngles,
  checkClosing,
  closingSchema,
  gaugeSchema,
  lapsSchema,
  readGauge,
  readLaps,
  studsSchema,
  verdictSchema,
  writeVerdict,
} from './common';
import { LengthReader, lengthSchema, unitSchema } from './lengths';
import { RefusedInput } from './problem';
import { defineSolver } from './solver';

export const shiftSchema = z.int('a shift must be a whole number of stud spacings').min(0);

export const indexInput = z.strictObject({
  unit: unitSchema,
  studs: studsSchema,
  mounts: z
    .array(
      z.strictObject({ shift: shiftSchema, laps: lapsSchema, closing: closingSchema.optional() }),
    )
    .min(1, 'at least one mounting is needed')
    .max(20, 'at most 20 mountings'),
  angles: anglesSchema.optional(),
  hub: z
    .strictObject({
      laps: lapsSchema,
      closing: closingSchema.optional(),
      radius: lengthSchema,
      rotorRadius: lengthSchema,
    })
    .optional(),
  gauge: gaugeSchema,
  limit: lengthSchema,
  allowedShifts: z
    .array(shiftSchema)
    .min(1, 'a rotor that can go on in one place only has that shift allowed')
    .max(10)
    .optional(),
  seed: z.int().optional(),
});

const partSchema = z.object({ amplitude: z.number(), highSpotDeg: z.number() });
export const predictionShape = {
  shift: z.int(),
  tir: z.number(),
  low: z.number(),
  high: z.number(),
  probabilityWithin: z.number(),
};

export const indexOutput = z.object({
  separation: z.array(
    z.object({ order: z.int(), separable: z.boolean(), hub: partSchema, rotor: partSchema }),
  ),
  predictions: z.array(z.object({ ...predictionShape, measured: z.boolean() })),
  best: z.object(predictionShape),
  consistent: z.boolean().nullable(),
  nextMount: z.int().nullable(),
  verdict: verdictSchema,
});

export type RawIndex = z.infer<typeof indexInput>;

function refuse(path: string, message: string): never {
  throw new RefusedInput({ code: 'shift', message: `${path}: ${message}`, path });
}

function checkMounts(raw: RawIndex): void {
  const n = raw.mounts[0]?.laps[0]?.length ?? 0;
  raw.mounts.forEach(({ shift, laps, closing }, i) => {
    const path = `mounts[${i}]`;
    if (shift >= raw.studs) {
      refuse(`${path}.shift`, `with ${raw.studs} studs a shift is 0 to ${raw.studs - 1}.`);
    }
    if (laps[0]?.length !== n) {
      refuse(`${path}.laps`, 'every mounting must be read at the same positions.');
    }
    checkClosing(closing, laps.length, `${path}.closing`);
  });
  const bad = raw.allowedShifts?.find((shift) => shift >= raw.studs);
  if (bad !== undefined) {
    refuse('allowedShifts', `with ${raw.studs} studs a shift is 0 to ${raw.studs - 1}.`);
  }
  checkAngles(raw.angles, n, 'angles');
  if (raw.hub) checkClosing(raw.hub.closing, raw.hub.laps.length, 'hub.closing');
}

/** Refuses laps that did not close: they are no mounting to solve by. */
function checkClosed(
  set: Pick<Mounting, 'laps' | 'closing'>,
  { gauge, limit }: Pick<IndexInput, 'gauge' | 'limit'>,
  path: string,
): void {
  const closure = set.closing && checkClosure(set.laps, set.closing, gauge.resolution, limit);
  const lap = closure?.errors.findIndex((error) => Math.abs(error) > closure.allowed) ?? -1;
  if (lap < 0) return;
  throw new RefusedInput({
    code: 'closure',
    message: `${path}.closing[${lap}]: lap ${lap + 1} did not close. The base moved or the rotor is loose: take it again before indexing by it.`,
    path: `${path}.closing[${lap}]`,
  });
}

/** The index part of a contract's input, checked and in micrometres. */
export function readIndex(raw: RawIndex, read: LengthReader): IndexInput {
  checkMounts(raw);
  const kinds = LENGTH_KINDS;
  const input: IndexInput = {
    studs: raw.studs,
    mounts: raw.mounts.map(({ shift, laps, closing }, i) => ({
      shift,
      laps: readLaps(laps, kinds.deviation, read, ['mounts', i, 'laps']),
      closing: closing && read.list(closing, kinds.deviation, ['mounts', i, 'closing']),
    })),
    angles: raw.angles,
    hub: raw.hub && {
      laps: readLaps(raw.hub.laps, kinds.deviation, read, ['hub', 'laps']),
      closing: raw.hub.closing && read.list(raw.hub.closing, kinds.deviation, ['hub', 'closing']),
      radius: read.one(raw.hub.radius, kinds.radius, ['hub', 'radius']),
      rotorRadius: read.one(raw.hub.rotorRadius, kinds.radius, ['hub', 'rotorRadius']),
    },
    gauge: readGauge(raw.gauge, read),
    limit: read.one(raw.limit, kinds.limit, ['limit']),
    allowedShifts: raw.allowedShifts,
    seed: raw.seed,
  };
  input.mounts.forEach((mount, i) => checkClosed(mount, input, `mounts[${i}]`));
  if (input.hub) checkClosed(input.hub, input, 'hub');
  return input;
}

/** An index solution as its contract answers it. */
export const writeIndex = (result: IndexResult): z.infer<typeof indexOutput> => ({
  separation: [...result.separation],
  predictions: [...result.predictions],
  best: result.best,
  consistent: result.consistent,
  nextMount: result.nextMount,
  verdict: writeVerdict(result.verdict),
});

/** Contract `index`: hub and rotor told apart, and the best stud (handbook 6). */
export const indexSolver = defineSolver({
  name: 'index',
  summary: 'Hub and rotor told apart, predicted runout at every stud, and the move to make.',
  input: indexInput,
  output: indexOutput,
  solve: (raw) => writeIndex(solveIndex(readIndex(raw, new LengthReader(raw.unit)))),
});
