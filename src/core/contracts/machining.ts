import { z } from 'zod';
import { LENGTH_KINDS } from '../readings';
import { solveMachining, type HubShare, type Lathe } from '../machining';
import { gaugeSchema, lapSchema, readGauge, verdictSchema, writeVerdict } from './common';
import { LengthReader, lengthSchema, unitSchema } from './lengths';
import { RefusedInput } from './problem';
import { defineSolver } from './solver';
import { checkLimitOrder } from './thickness';

const hubSchema = z.union([
  z.strictObject({ amplitude: lengthSchema, highSpotDeg: z.number() }),
  z.strictObject({
    limit: lengthSchema,
    radius: lengthSchema.optional(),
    rotorRadius: lengthSchema.optional(),
  }),
]);

const latheSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('on-vehicle'), residual: lengthSchema.optional() }),
  z.strictObject({
    kind: z.literal('bench'),
    arborError: lengthSchema.optional(),
    hub: hubSchema.optional(),
  }),
]);

const input = z.strictObject({
  unit: unitSchema,
  outboard: lapSchema,
  thickness: lapSchema,
  scoreOutboard: lengthSchema.optional(),
  scoreInboard: lengthSchema.optional(),
  cleanUp: lengthSchema.optional(),
  lathe: latheSchema,
  maxRoughing: lengthSchema.optional(),
  finishing: lengthSchema.optional(),
  gauge: gaugeSchema,
  limits: z.strictObject({ machineTo: lengthSchema.optional(), discard: lengthSchema }),
  equalCuts: z.boolean().optional(),
});

const output = z.object({
  finishedThickness: z.number(),
  finishedThicknessRange: z.tuple([z.number(), z.number()]),
  depthOutboard: z.number(),
  depthInboard: z.number(),
  removedFromThickest: z.number(),
  budget: z.number(),
  budgetPerSide: z.number(),
  machineTo: z.number(),
  machineToDerived: z.boolean(),
  passes: z.object({ outboard: z.array(z.number()), inboard: z.array(z.number()) }),
  remainingRunout: z.number().nullable(),
  verdict: verdictSchema,
  equalCutsAlternative: z.object({ finishedThickness: z.number(), depth: z.number() }),
});

type Raw = z.infer<typeof input>;

function readHub(raw: z.infer<typeof hubSchema>, read: LengthReader): HubShare {
  const at = (key: string): string[] => ['lathe', 'hub', key];
  if ('amplitude' in raw) {
    const amplitude = read.one(raw.amplitude, LENGTH_KINDS.amount, at('amplitude'));
    return { kind: 'phasor', amplitude, highSpotDeg: raw.highSpotDeg };
  }
  if ((raw.radius === undefined) !== (raw.rotorRadius === undefined)) {
    const path = 'lathe.hub';
    const message = `${path}: give both radius and rotorRadius, or neither.`;
    throw new RefusedInput({ code: 'radius', message, path });
  }
  return {
    kind: 'limit',
    limit: read.one(raw.limit, LENGTH_KINDS.amount, at('limit')),
    radius: read.maybe(raw.radius, LENGTH_KINDS.radius, at('radius')),
    rotorRadius: read.maybe(raw.rotorRadius, LENGTH_KINDS.radius, at('rotorRadius')),
  };
}

function readLathe(raw: Raw['lathe'], read: LengthReader): Lathe {
  const spread = LENGTH_KINDS.spread;
  if (raw.kind === 'on-vehicle') {
    return {
      kind: 'on-vehicle',
      residual: read.maybe(raw.residual, spread, ['lathe', 'residual']),
    };
  }
  return {
    kind: 'bench',
    arborError: read.maybe(raw.arborError, spread, ['lathe', 'arborError']),
    hub: raw.hub && readHub(raw.hub, read),
  };
}

/** Contract `machining`: depth of cut and finished thickness (handbook 9). */
export const machiningSolver = defineSolver({
  name: 'machining',
  summary: 'How deep to cut each side, what is left, and whether that is enough.',
  input,
  output,
  solve: (raw) => {
    const read = new LengthReader(raw.unit);
    if (raw.outboard.length !== raw.thickness.length) {
      const path = 'thickness';
      const message = `${path} has ${raw.thickness.length} readings and outboard ${raw.outboard.length}. Both must be read at the same positions.`;
      throw new RefusedInput({ code: 'positions', message, path });
    }
    const { amount, pass, thickness } = LENGTH_KINDS;
    const limits = {
      machineTo: read.maybe(raw.limits.machineTo, thickness, ['limits', 'machineTo']),
      discard: read.one(raw.limits.discard, thickness, ['limits', 'discard']),
    };
    checkLimitOrder(limits);
    const result = solveMachining({
      outboard: read.list(raw.outboard, LENGTH_KINDS.deviation, ['outboard']),
      thickness: read.list(raw.thickness, thickness, ['thickness']),
      scoreOutboard: read.maybe(raw.scoreOutboard, amount, ['scoreOutboard']),
      scoreInboard: read.maybe(raw.scoreInboard, amount, ['scoreInboard']),
      cleanUp: read.maybe(raw.cleanUp, amount, ['cleanUp']),
      lathe: readLathe(raw.lathe, read),
      maxRoughing: read.maybe(raw.maxRoughing, pass, ['maxRoughing']),
      finishing: read.maybe(raw.finishing, amount, ['finishing']),
      gauge: readGauge(raw.gauge, read),
      limits,
      equalCuts: raw.equalCuts,
    });
    return {
      ...result,
      finishedThicknessRange: [
        result.finishedThicknessRange[0],
        result.finishedThicknessRange[1],
      ] as [number, number],
      passes: { outboard: [...result.passes.outboard], inboard: [...result.passes.inboard] },
      verdict: writeVerdict(result.verdict),
    };
  },
});
