import { z } from 'zod';
import { evenAngles, isOnRaster, LENGTH_KINDS, RASTER } from '../readings';
import { solveThickness } from '../thickness';
import { toCelsius, wrapDegrees } from '../units';
import {
  anglesSchema,
  checkAngles,
  gaugeSchema,
  lapsSchema,
  ordersSchema,
  placeSchema,
  readGauge,
  readLaps,
  verdictSchema,
  writeVerdict,
} from './common';
import { LengthReader, lengthSchema, unitSchema } from './lengths';
import { RefusedInput } from './problem';
import { defineSolver } from './solver';

/** The raster of 7.5° read twice over. */
const MOST_EXTRA = 96;

const input = z.strictObject({
  unit: unitSchema,
  laps: lapsSchema,
  innerLaps: lapsSchema.optional(),
  angles: anglesSchema.optional(),
  extra: z
    .array(z.strictObject({ angle: z.number(), value: lengthSchema }))
    .max(MOST_EXTRA)
    .optional()
    .describe('Single readings of the outer circle beyond the laps, at multiples of 7.5°.'),
  settle: z.boolean().optional(),
  gauge: gaugeSchema,
  zeroError: lengthSchema.optional(),
  temperature: z
    .strictObject({
      rotor: z.number(),
      micrometer: z.number().optional(),
      unit: z.enum(['C', 'F']),
    })
    .optional(),
  limits: z.strictObject({
    nominal: lengthSchema.optional(),
    machineTo: lengthSchema.optional(),
    discard: lengthSchema,
    dtv: lengthSchema,
    taper: lengthSchema.optional(),
  }),
});

/** A place that no lap has is told by its angle alone. */
const thicknessPlace = placeSchema.extend({ position: z.int().nullable() });

const output = z.object({
  n: z.int(),
  min: z.number(),
  max: z.number(),
  mean: z.number(),
  dtv: z.number(),
  thin: thicknessPlace,
  thick: thicknessPlace,
  taper: z.number().nullable(),
  temperatureCorrection: z.number(),
  machineTo: z.number(),
  machineToDerived: z.boolean(),
  orders: ordersSchema,
  settling: z
    .object({
      value: z.number(),
      uncertainty: z.number(),
      roughness: z.number(),
      readings: z.int(),
      next: z.tuple([z.number(), z.number()]).nullable(),
    })
    .nullable(),
  verdicts: z.object({
    dtv: verdictSchema,
    discard: verdictSchema,
    machineTo: verdictSchema,
    taper: verdictSchema,
  }),
});

const COLDEST = -60;
const HOTTEST = 900;

function readTemperature(value: number, unit: 'C' | 'F', path: string): number {
  const celsius = toCelsius(value, unit);
  if (celsius >= COLDEST && celsius <= HOTTEST) return celsius;
  throw new RefusedInput({
    code: 'out-of-range',
    message: `${path}: ${value} \u00b0${unit} cannot be meant. Check the figure and its unit.`,
    path,
  });
}

/** The limits must stand in order; a swap is the usual slip. */
export function checkLimitOrder(limits: {
  nominal?: number | undefined;
  machineTo?: number | undefined;
  discard: number;
}): void {
  const swap = (path: string, message: string): never => {
    throw new RefusedInput({ code: 'limit-order', message: `${path}: ${message}`, path });
  };
  if (limits.machineTo !== undefined && limits.machineTo < limits.discard) {
    swap(
      'limits.machineTo',
      'machine-to thickness is below discard thickness. Are the two swapped?',
    );
  }
  const floor = limits.machineTo ?? limits.discard;
  if (limits.nominal !== undefined && limits.nominal < floor) {
    swap('limits.nominal', 'nominal thickness is below the other limits. Are they swapped?');
  }
}

/** Settling reads on a raster of 7.5°: the laps' places and the extra ones must lie on it. */
function checkRaster({ laps, angles, extra = [], settle }: z.infer<typeof input>): void {
  const refuse = (path: string, message: string): never => {
    throw new RefusedInput({ code: 'raster', message: `${path}: ${message}`, path });
  };
  if (extra.length === 0 && settle !== true) return;
  if (!(angles ?? evenAngles(laps[0]?.length ?? 0)).every(isOnRaster)) {
    refuse(
      angles ? 'angles' : 'laps',
      `measured until it is settled, places lie at multiples of ${RASTER}°: 8, 12, 16 or 24 of them, evenly spaced.`,
    );
  }
  const bad = extra.findIndex(({ angle }) => !isOnRaster(angle));
  if (bad >= 0) refuse(`extra[${bad}].angle`, `an extra reading lies at a multiple of ${RASTER}°.`);
}

const asPair = (next: readonly [number, number] | null): [number, number] | null =>
  next && [next[0], next[1]];

/** Contract `thickness`: thickness, its variation and its limits (handbook 8). */
export const thicknessSolver = defineSolver({
  name: 'thickness',
  summary: 'Thickness of a rotor: variation, thin and thick place, taper and verdicts.',
  input,
  output,
  solve: (raw) => {
    const read = new LengthReader(raw.unit);
    checkAngles(raw.angles, raw.laps[0]?.length ?? 0, 'angles');
    checkRaster(raw);
    const size = LENGTH_KINDS.thickness;
    const limits = {
      nominal: read.maybe(raw.limits.nominal, size, ['limits', 'nominal']),
      machineTo: read.maybe(raw.limits.machineTo, size, ['limits', 'machineTo']),
      discard: read.one(raw.limits.discard, size, ['limits', 'discard']),
      dtv: read.one(raw.limits.dtv, LENGTH_KINDS.limit, ['limits', 'dtv']),
      taper: read.maybe(raw.limits.taper, LENGTH_KINDS.limit, ['limits', 'taper']),
    };
    checkLimitOrder(limits);
    const t = raw.temperature;
    const { figures, machineTo, machineToDerived, verdicts } = solveThickness({
      laps: readLaps(raw.laps, size, read, ['laps']),
      innerLaps: raw.innerLaps && readLaps(raw.innerLaps, size, read, ['innerLaps']),
      angles: raw.angles,
      gauge: readGauge(raw.gauge, read),
      zeroError: read.maybe(raw.zeroError, LENGTH_KINDS.zeroError, ['zeroError']),
      temperature: t && {
        rotor: readTemperature(t.rotor, t.unit, 'temperature.rotor'),
        micrometer:
          t.micrometer === undefined
            ? undefined
            : readTemperature(t.micrometer, t.unit, 'temperature.micrometer'),
      },
      extra: raw.extra?.map(({ angle, value }, i) => ({
        angle: wrapDegrees(angle, 360),
        value: read.one(value, size, ['extra', i, 'value']),
      })),
      settle: raw.settle,
      limits,
    });
    const { settling } = figures;
    return {
      n: figures.n,
      min: figures.min,
      max: figures.max,
      mean: figures.mean,
      dtv: figures.dtv,
      thin: figures.thin,
      thick: figures.thick,
      taper: figures.taper,
      temperatureCorrection: figures.temperatureCorrection,
      machineTo,
      machineToDerived,
      orders: [...figures.orders],
      settling: settling && { ...settling, next: asPair(settling.next) },
      verdicts: {
        dtv: writeVerdict(verdicts.dtv),
        discard: writeVerdict(verdicts.discard),
        machineTo: writeVerdict(verdicts.machineTo),
        taper: writeVerdict(verdicts.taper),
      },
    };
  },
});
