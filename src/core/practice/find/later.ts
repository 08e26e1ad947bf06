import { comesBack, type ComesBack, type TrueOrder, type VirtualCorner } from '../../bench';
import { WORKSHOP_DEFAULTS } from '../../verdict';
import { DISCARD } from '../draw';
import type { CarCorner } from './carCorner';
import type { FindCase } from './findCase';
import type { FindState } from './findWork';

/** First order of a new rotor, and of a hub with a new bearing; an assumption of practice, within what makers allow. */
const NEW = 8;
/** Faults that a new or cut rotor ends. */
const OF_ROTOR = [
  'dtv-front',
  'dtv-rear',
  'deposits',
  'rotor-runout',
  'heat-damage',
  'standing-corrosion',
  'uneven-new-rotor',
];
/** Faults that a new hub and bearing end. */
const OF_HUB = ['hub-runout', 'bearing-play'];

const made = (orders: readonly TrueOrder[]): TrueOrder[] =>
  orders.map((each) =>
    each.order === 1 ? { ...each, amplitude: Math.min(each.amplitude, NEW) } : each,
  );

/** A corner as it runs where it sits: what tilts the rotor there is part of it. */
function asItSits({ virtual, faults }: CarCorner): VirtualCorner {
  const tilts = [faults.dirt, faults.nuts].flatMap((tilt) =>
    tilt ? [{ order: 1, amplitude: tilt.amplitude, highSpotDeg: tilt.at }] : [],
  );
  return { ...virtual, hub: [...virtual.hub, ...tilts] };
}

/** A car’s corner after its fault was put right, and nothing else. */
function afterRepair({ cause, bench }: FindCase): VirtualCorner {
  const { virtual, faults } = bench;
  const isHub = OF_HUB.includes(cause.code);
  if (isHub || OF_ROTOR.includes(cause.code)) {
    // What a hub has worn into its rotor is cut or renewed with it.
    const rotor = isHub ? { hub: made(virtual.hub) } : { rotor: made(virtual.rotor) };
    return asItSits({ ...bench, virtual: { ...virtual, ...rotor, thickness: [] } });
  }
  const { dirt, nuts, ...others } = faults;
  const left = {
    ...others,
    ...(dirt && cause.code !== 'rust-under-hat' && { dirt }),
    ...(nuts && cause.code !== 'nut-torque' && { nuts }),
  };
  return asItSits({ ...bench, faults: left });
}

/**
 * When a car’s corner passes its limit of thickness variation or its discard thickness, driven on as it went back; null
 * where it does not within what can be said. Model: `FORWARD`.
 */
export function laterOf(own: FindCase, { isCured }: Pick<FindState, 'isCured'>): ComesBack | null {
  const virtual = isCured ? afterRepair(own) : asItSits(own.bench);
  return comesBack(virtual, 0, {
    variation: WORKSHOP_DEFAULTS.thicknessVariation,
    discard: DISCARD,
  });
}
