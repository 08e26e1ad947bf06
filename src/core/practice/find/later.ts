import { comesBack, type ComesBack } from '../../bench';
import { WORKSHOP_DEFAULTS } from '../../verdict';
import { DISCARD } from '../draw';
import { asItSits } from './carCorner';
import type { FindCase } from './findCase';
import type { FindState } from './findWork';
import { cornerAfter } from './repaired';

/**
 * When a car’s corner passes its limit of thickness variation or its discard thickness, driven on as it went back; null
 * where it does not within what can be said. Model: `FORWARD`.
 */
export function laterOf(own: FindCase, { repairs }: Pick<FindState, 'repairs'>): ComesBack | null {
  return comesBack(asItSits(cornerAfter(own, repairs)), 0, {
    variation: WORKSHOP_DEFAULTS.thicknessVariation,
    discard: DISCARD,
  });
}
