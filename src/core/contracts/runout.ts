import { z } from 'zod';
import { LENGTH_KINDS } from '../readings';
import { solveRunout } from '../runout';
import {
  anglesSchema,
  checkAngles,
  checkClosing,
  closingSchema,
  gaugeSchema,
  lapsSchema,
  ordersSchema,
  placeSchema,
  readGauge,
  readLaps,
  studsSchema,
  verdictSchema,
  writeVerdict,
} from './common';
import { LengthReader, lengthSchema, unitSchema } from './lengths';
import { defineSolver } from './solver';

const input = z.strictObject({
  unit: unitSchema,
  face: z.enum(['outboard', 'inboard']),
  laps: lapsSchema,
  closing: closingSchema.optional(),
  angles: anglesSchema.optional(),
  studs: studsSchema.optional(),
  gauge: gaugeSchema,
  limit: lengthSchema,
  endPlay: z.strictObject({ value: lengthSchema, limit: lengthSchema }).optional(),
});

const output = z.object({
  n: z.int(),
  laps: z.int(),
  sigma: z.number(),
  repeatability: z.number().nullable(),
  tirAsRead: z.number(),
  tirFitted: z.number(),
  high: placeSchema,
  low: placeSchema,
  orders: ordersSchema,
  closure: z.object({ errors: z.array(z.number()), ok: z.boolean() }).nullable(),
  outliers: z.array(z.object({ position: z.int(), residual: z.number() })),
  verdict: verdictSchema,
});

/** Contract `runout`: lateral runout of one set (handbook 3 to 5). */
export const runoutSolver = defineSolver({
  name: 'runout',
  summary: 'Lateral runout of one set of readings: size, direction, quality and verdict.',
  input,
  output,
  solve: (raw) => {
    const read = new LengthReader(raw.unit);
    checkAngles(raw.angles, raw.laps[0]?.length ?? 0, 'angles');
    checkClosing(raw.closing, raw.laps.length, 'closing');
    const { averaged, angles, fit, ...result } = solveRunout({
      face: raw.face,
      laps: readLaps(raw.laps, LENGTH_KINDS.deviation, read, ['laps']),
      closing: raw.closing && read.list(raw.closing, LENGTH_KINDS.deviation, ['closing']),
      angles: raw.angles,
      studs: raw.studs,
      gauge: readGauge(raw.gauge, read),
      limit: read.one(raw.limit, LENGTH_KINDS.limit, ['limit']),
      endPlay: raw.endPlay && {
        value: read.one(raw.endPlay.value, LENGTH_KINDS.amount, ['endPlay', 'value']),
        limit: read.one(raw.endPlay.limit, LENGTH_KINDS.amount, ['endPlay', 'limit']),
      },
    });
    return {
      ...result,
      orders: [...result.orders],
      outliers: [...result.outliers],
      closure: result.closure && { errors: [...result.closure.errors], ok: result.closure.ok },
      verdict: writeVerdict(result.verdict),
    };
  },
});
