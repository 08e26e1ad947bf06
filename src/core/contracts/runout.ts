import { z } from 'zod';
import {
  LENGTH_KINDS,
  MAX_POSITIONS,
  MAX_SWEPT_POSITIONS,
  MIN_SWEPT_POSITIONS,
  MOST_SWEPT,
} from '../readings';
import { solveRunout, type SlowTurn } from '../runout';
import {
  anglesSchema,
  checkAngles,
  checkClosing,
  closingSchema,
  gaugeSchema,
  lapsUpTo,
  ordersSchema,
  placeSchema,
  readGauge,
  readLaps,
  studsSchema,
  verdictSchema,
  writeVerdict,
} from './common';
import { LengthReader, lengthSchema, unitSchema, type RawLength } from './lengths';
import { RefusedInput } from './problem';
import { defineSolver } from './solver';

/** No dial is turned more often than this for one verdict. */
const MOST_TURNS = 20;

const input = z.strictObject({
  unit: unitSchema,
  face: z.enum(['outboard', 'inboard']),
  laps: lapsUpTo(MAX_SWEPT_POSITIONS),
  closing: closingSchema.optional(),
  angles: anglesSchema.optional(),
  studs: studsSchema.optional(),
  gauge: gaugeSchema,
  limit: lengthSchema,
  endPlay: z.strictObject({ value: lengthSchema, limit: lengthSchema }).optional(),
  pressed: z.boolean().optional().describe('The wheel was pressed inboard at each reading.'),
  turns: z
    .array(z.strictObject({ high: lengthSchema, low: lengthSchema }))
    .max(MOST_TURNS)
    .optional()
    .describe('Slow turns, stopped and read at the highest and at the lowest place.'),
  sweep: z
    .strictObject({
      readings: z
        .int()
        .min(1)
        .max(20 * MOST_SWEPT),
    })
    .optional()
    .describe(
      'The laps are sweeps, read without a stop: how many readings of the gauge they were made of. At least 60 even places, no turns beside them.',
    ),
});

const output = z.object({
  n: z.int(),
  laps: z.int(),
  sigma: z.number(),
  repeatability: z.number().nullable(),
  drift: z.object({ perLap: z.number(), uncertainty: z.number() }).nullable(),
  tirAsRead: z.number(),
  tirFitted: z.number(),
  turned: z
    .object({ value: z.number(), uncertainty: z.number(), curveBelieved: z.boolean() })
    .nullable(),
  swept: z
    .object({ value: z.number(), uncertainty: z.number(), scatter: z.number() })
    .nullable()
    .describe('Runout as the curve of the sweeps shows it.'),
  high: placeSchema,
  low: placeSchema,
  orders: ordersSchema,
  closure: z
    .object({ errors: z.array(z.number()), ok: z.boolean(), slipSuspected: z.boolean() })
    .nullable(),
  outliers: z.array(z.object({ position: z.int(), residual: z.number() })),
  next: z.enum(['lap', 'turn', 'press']).nullable(),
  verdict: verdictSchema,
});

/** A slow turn as read; its high must not be below its low. */
function readTurn(
  { high, low }: { readonly high: RawLength; readonly low: RawLength },
  index: number,
  read: LengthReader,
): SlowTurn {
  const turn = {
    high: read.one(high, LENGTH_KINDS.deviation, ['turns', index, 'high']),
    low: read.one(low, LENGTH_KINDS.deviation, ['turns', index, 'low']),
  };
  if (turn.high >= turn.low) return turn;
  const path = `turns[${index}]`;
  throw new RefusedInput({
    code: 'turn',
    message: `${path}: the highest reading is below the lowest. Are the two swapped?`,
    path,
  });
}

/** Refuses laps that no sweep has, and more places than are read one by one without one. */
function checkSweep({ sweep, laps, angles, turns }: z.output<typeof input>): void {
  const n = laps[0]?.length ?? 0;
  const refuse = (path: string, message: string): never => {
    throw new RefusedInput({ code: 'sweep', message: `${path}: ${message}`, path });
  };
  if (!sweep && n > MAX_POSITIONS) {
    refuse('laps', `a lap has at most ${MAX_POSITIONS} readings; say \`sweep\` if it was swept.`);
  }
  if (!sweep) return;
  if (n < MIN_SWEPT_POSITIONS)
    refuse('laps', `a sweep has at least ${MIN_SWEPT_POSITIONS} places.`);
  if (angles) refuse('angles', 'the places of a sweep are even.');
  if (turns) refuse('turns', 'a sweep is its own slow turn.');
}

/** Contract `runout`: lateral runout of one set (handbook 3 to 5). */
export const runoutSolver = defineSolver({
  name: 'runout',
  summary: 'Lateral runout of one set of readings: size, direction, quality and verdict.',
  input,
  output,
  solve: (raw) => {
    const read = new LengthReader(raw.unit);
    checkSweep(raw);
    checkAngles(raw.angles, raw.laps[0]?.length ?? 0, 'angles');
    checkClosing(raw.closing, raw.laps.length, 'closing');
    const { averaged, angles, fit, slipSuspected, ...result } = solveRunout({
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
      pressed: raw.pressed,
      turns: raw.turns?.map((turn, i) => readTurn(turn, i, read)),
      sweep: raw.sweep,
    });
    return {
      ...result,
      orders: [...result.orders],
      outliers: [...result.outliers],
      closure: result.closure && {
        errors: [...result.closure.errors],
        ok: result.closure.ok,
        slipSuspected,
      },
      verdict: writeVerdict(result.verdict),
    };
  },
});
