import { EXTRAS, suggestedExtras, type Extra } from '../core/options';
import { partsByRule } from '../core/procedure';
import type { Corner } from '../core/readings';
import { PAD_FAMILIES, type PadFamily } from '../core/wear';
import type { JobFile } from '../db/repositories';
import { findCheck, looksOf, rulesOf } from './procedure';

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
export function readChoice(file: JobFile, corner: Corner, usual: PadFamily): DecideInputs {
  const stored = findCheck(file, 'decide', corner, 'extras')?.value;
  const chosen = Array.isArray(stored)
    ? EXTRAS.filter((extra) => stored.map(String).includes(extra))
    : null;
  const looks = looksOf(file).filter((look) => look.corner === corner);
  const { pads, hardware } = partsByRule(rulesOf(file));
  const byRule: Extra[] = [
    ...(pads === 'renew' ? (['pads'] as const) : []),
    ...(hardware === 'renew' ? (['hardware'] as const) : []),
  ];
  const family = findCheck(file, 'decide', corner, 'pad-family')?.value;
  const known = PAD_FAMILIES.find((each) => each === family);
  return {
    extras: chosen ?? suggestedExtras(looks),
    withMetal: byRule,
    isChosen: chosen !== null,
    padFamily: known ?? usual,
    isFamilyChosen: known !== undefined,
  };
}
