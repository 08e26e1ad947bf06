import { readChoice, type DecideInputs } from './decideInputs';
import type { CornerAssessment, CornerRecord } from '../core/assessment';
import {
  compareOptions,
  rankOptions,
  type Option,
  type OptionsInput,
  type Ranking,
} from '../core/options';
import type { Corner } from '../core/readings';
import { wearByDefault, type WearRate } from '../core/wear';
import type { JobFile } from '../db/repositories';
import { shopOfJob } from './record';

/** The options of a corner with the one to take. */
export interface CornerOptions {
  readonly input: OptionsInput;
  readonly options: readonly Option[];
  readonly ranking: Ranking;
  readonly chosen: DecideInputs;
}

/** What was chosen at a corner beside the rotor. */
export const choiceAt = (file: JobFile, corner: Corner): DecideInputs =>
  readChoice(file, corner, shopOfJob(file).equipment.padFamily);

/**
 * The options of a corner side by side. Without a rate of wear of its own the default of the
 * pads' family stands in: it bears on the distance left only, not on the choice.
 */
export function cornerOptions(
  file: JobFile,
  corner: Corner,
  { record, assessment }: { record: CornerRecord; assessment: CornerAssessment },
  wear?: WearRate,
): CornerOptions {
  const shop = shopOfJob(file);
  const chosen = choiceAt(file, corner);
  const input: OptionsInput = {
    record,
    assessment,
    shop,
    extras: chosen.extras,
    withMetal: chosen.withMetal,
    wear: wear ?? wearByDefault(chosen.padFamily),
  };
  const options = compareOptions(input);
  return { input, options, ranking: rankOptions(options), chosen };
}
