import { suggestedExtras, type Extra } from '../options';
import { partsByRule } from '../procedure';
import type { Corner } from '../readings';
import type { PadFamily } from '../wear';
import { findCheck } from './checks';
import { looksOf, rulesOf } from './procedure';
import type { Job } from './types';

/** What is done at a corner beside the rotor, and what its pads are made of. */
export interface DecideInputs {
  readonly extras: readonly Extra[];
  /** What the house rules add where metal is cut or renewed. */
  readonly withMetal: readonly Extra[];
  /** Whether somebody chose them; else they follow from what was seen. */
  readonly isChosen: boolean;
  readonly padFamily: PadFamily;
  readonly isFamilyChosen: boolean;
}

/** What was chosen at a corner, or what the looks and the house rules ask for. */
export function choiceAt(job: Job, corner: Corner): DecideInputs {
  const usual = job.shop.equipment.padFamily;
  const chosen = findCheck(job, 'decide', corner, 'extras')?.value ?? null;
  const looks = looksOf(job).filter((look) => look.corner === corner);
  const { pads, hardware } = partsByRule(rulesOf(job));
  const byRule: Extra[] = [
    ...(pads === 'renew' ? (['pads'] as const) : []),
    ...(hardware === 'renew' ? (['hardware'] as const) : []),
  ];
  const known = findCheck(job, 'decide', corner, 'pad-family')?.value;
  return {
    extras: chosen ?? suggestedExtras(looks),
    withMetal: byRule,
    isChosen: chosen !== null,
    padFamily: known ?? usual,
    isFamilyChosen: known !== undefined,
  };
}
