import { choiceAt, type DecideInputs } from './choice';
import type { CornerAssessment, CornerRecord } from '../assessment';
import {
  compareOptions,
  rankOptions,
  type Option,
  type OptionsInput,
  type Ranking,
} from '../options';
import type { Corner } from '../readings';
import { wearByDefault, type WearRate } from '../wear';
import { onceByContent } from '../remember';
import type { Job } from './types';

/** The options of a corner with the one to take. */
export interface CornerOptions {
  readonly input: OptionsInput;
  readonly options: readonly Option[];
  readonly ranking: Ranking;
  readonly chosen: DecideInputs;
}

/** Comparing draws thousands of corners: what was compared lately is kept. */
const MOST_COMPARED = 64;

/** The options of an input with their ranking. */
export const comparedOptions = onceByContent((input: OptionsInput) => {
  const options = compareOptions(input);
  return { options, ranking: rankOptions(options) };
}, MOST_COMPARED);

/**
 * The options of a corner side by side. Without a rate of wear of its own the default of the
 * pads' family stands in: it bears on the distance left only, not on the choice.
 */
export function cornerOptions(
  job: Job,
  corner: Corner,
  { record, assessment }: { record: CornerRecord; assessment: CornerAssessment },
  wear?: WearRate,
): CornerOptions {
  const chosen = choiceAt(job, corner);
  const input: OptionsInput = {
    record,
    assessment,
    shop: job.shop,
    extras: chosen.extras,
    withMetal: chosen.withMetal,
    wear: wear ?? wearByDefault(chosen.padFamily),
  };
  return { input, ...comparedOptions(input), chosen };
}
