import { z } from 'zod';
import { solvePlate } from '../plate';
import { LENGTH_KINDS } from '../readings';
import { indexInput, indexOutput, predictionShape, readIndex, writeIndex } from './indexing';
import { LengthReader, lengthSchema } from './lengths';
import { RefusedInput } from './problem';
import { defineSolver } from './solver';

const input = indexInput.extend({
  plates: z.strictObject({
    corrections: z
      .array(lengthSchema)
      .min(1, 'at least one plate is needed')
      .max(20, 'at most 20 plates'),
    referenceRadius: lengthSchema,
  }),
  rotorRadius: lengthSchema,
});

const output = indexOutput.extend({
  plate: z.object({ ...predictionShape, correction: z.number(), thickAtStud: z.int() }).nullable(),
});

/** How far two statements of one radius may lie apart: what rounding of units explains. */
const SAME_RADIUS = 0.5;

/** Contract `plate`: the index solution, and the tapered plate to fit (handbook 7). */
export const plateSolver = defineSolver({
  name: 'plate',
  summary: 'The index solution, and the tapered plate to fit where indexing alone will not do.',
  input,
  output,
  solve: (raw) => {
    const read = new LengthReader(raw.unit);
    const index = readIndex(raw, read);
    const kinds = LENGTH_KINDS;
    const rotorRadius = read.one(raw.rotorRadius, kinds.radius, ['rotorRadius']);
    if (index.hub && Math.abs(index.hub.rotorRadius - rotorRadius) > SAME_RADIUS) {
      const message = 'hub.rotorRadius must equal rotorRadius.';
      throw new RefusedInput({ code: 'radius', message, path: 'hub.rotorRadius' });
    }
    const corrections = raw.plates.corrections.map((correction, i) =>
      read.one(correction, kinds.amount, ['plates', 'corrections', i]),
    );
    if (corrections.some((correction) => correction <= 0)) {
      const message = 'a plate corrects by more than zero.';
      throw new RefusedInput({ code: 'plate', message, path: 'plates.corrections' });
    }
    const result = solvePlate({
      ...index,
      rotorRadius,
      plates: {
        corrections,
        referenceRadius: read.one(raw.plates.referenceRadius, kinds.radius, [
          'plates',
          'referenceRadius',
        ]),
      },
    });
    return { ...writeIndex(result), plate: result.plate };
  },
});
