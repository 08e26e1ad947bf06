import { applyAction, type TrueOrder } from '../../bench';
import type { Cause } from '../../diagnosis';
import type { PriceItem } from '../../options';
import { wrapDegrees, type Micrometres } from '../../units';
import { chanceOf, readCode } from '../code';
import { faceOf, swingOf } from '../truth';
import { setupOf } from '../ways';
import { asItSits, type CarCorner } from './carCorner';
import type { FindCase } from './findCase';
import { doesCure, repairItems } from './findWork';

/** What a repair does to hub and rotor, by the items of the shop’s list that it takes; null where it does nothing there. */
function metalOf(items: readonly PriceItem[]): 'new' | 'on-vehicle' | 'hub' | null {
  if (items.includes('rotor')) return 'new';
  if (items.includes('on-vehicle')) return 'on-vehicle';
  return items.includes('hub') ? 'hub' : null;
}

/** The corner with its rotor, off for the repair, put back where it reads least. */
function seatedBest({ virtual, ...corner }: CarCorner): CarCorner {
  const { studs } = virtual;
  const runoutAt = (seat: number): Micrometres => swingOf(faceOf(virtual, corner.faults, seat));
  const seats = Array.from({ length: studs }, (_, seat) => seat);
  const best = seats.reduce((p, q) => (runoutAt(q) < runoutAt(p) ? q : p));
  const turned = (orders: readonly TrueOrder[]): TrueOrder[] =>
    orders.map((each) => ({
      ...each,
      highSpotDeg: wrapDegrees(each.highSpotDeg + (360 * best) / studs, 360 / each.order),
    }));
  const { rotor, thickness } = virtual;
  return {
    ...corner,
    virtual: { ...virtual, rotor: turned(rotor), thickness: turned(thickness) },
  };
}

/** The corner after one repair; `isRight` where it puts the fault right. */
function afterOne(
  { virtual, faults, wornKm }: CarCorner,
  cause: Cause,
  isRight: boolean,
  random: ReturnType<typeof chanceOf>,
): CarCorner {
  const items = repairItems(cause);
  const metal = metalOf(items);
  const { dirt, nuts, ...others } = faults;
  const left = {
    ...others,
    // A hat that is off for new metal is cleaned.
    ...(dirt && !items.includes('clean') && metal === null && { dirt }),
    ...(nuts && !items.includes('nuts') && { nuts }),
  };
  // The cutter follows the rotor as it sits, with whatever tilts it there.
  const sits = metal === 'on-vehicle' ? asItSits({ virtual, faults: left, wornKm }) : virtual;
  const standing = { truth: sits, shift: 0, sets: [] };
  const done =
    metal === null
      ? virtual
      : applyAction(standing, metal, { shift: null, plate: null }, setupOf(virtual.studs), random)
          .truth;
  const nutOrders = items.includes('nuts') ? done.hub.slice(0, 1) : done.hub;
  const hub = metal === 'on-vehicle' ? virtual.hub : nutOrders;
  // What a fault has worn into its rotor is cut or renewed with it.
  const thickness = isRight ? [] : done.thickness;
  const after = { virtual: { ...done, hub, thickness }, faults: left, wornKm };
  return metal === 'hub' || items.includes('clean') ? seatedBest(after) : after;
}

/**
 * A car’s corner as it stands after repairs, the right ones and those in vain: what each does to hub, rotor and what
 * tilts it there, with what tolerances leave.
 */
export function cornerAfter(
  own: Pick<FindCase, 'code' | 'bench' | 'cause'>,
  repairs: readonly Cause[],
): CarCorner {
  const random = chanceOf(readCode(own.code)!);
  return repairs.reduce(
    (corner, cause) => afterOne(corner, cause, doesCure(cause, own.cause), random),
    own.bench,
  );
}
