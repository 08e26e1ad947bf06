import { waveAt, waveTir } from '../harmonics';
import { maximum, minimum, modulus, type RandomSource } from '../numeric';
import { newHubShare, type Action, type Option, type Shop } from '../options';
import { platePhasor, type PlateFit } from '../plate';
import { evenAngles, inRadians } from '../readings';
import { toDegrees, type Degrees, type Micrometres } from '../units';
import type { MeasuredSet } from '../assessment';
import { WORKSHOP_DEFAULTS } from '../verdict';
import {
  truePhasor,
  trueRunout,
  trueThicknessAt,
  type TrueOrder,
  type VirtualCorner,
} from './virtualCorner';

/** The limits and gauges of the simulated corners; lengths in µm. */
export interface PolicySetup {
  readonly studs: number;
  readonly shop: Shop;
  readonly limit: Micrometres;
  readonly dtvLimit: Micrometres;
  readonly nominal: Micrometres;
  readonly machineTo: Micrometres;
  readonly discard: Micrometres;
  readonly radius: Micrometres;
  readonly positions: number;
}

const anywhere = (random: RandomSource): Degrees => 360 * random.uniform();

/** A tilt of so much TIR in any direction. */
const tilt = (tir: Micrometres, random: RandomSource): TrueOrder => ({
  order: 1,
  amplitude: tir / 2,
  highSpotDeg: anywhere(random),
});

/** Which corners complaints bring: the most that each is out by, as highest less lowest, in µm. */
export interface Population {
  readonly hub: Micrometres;
  readonly rotor: Micrometres;
  readonly variation: Micrometres;
  /** The thickest and the thinnest that come in, as shares of what is left from discard to new. */
  readonly thickest: number;
  readonly thinnest: number;
}

/** Assumed: no shop has counted them. */
export const USUAL_POPULATION: Population = {
  hub: 70,
  rotor: 90,
  variation: 16,
  thickest: 1,
  thinnest: 0.1,
};

/** What the higher orders have of the first one at most: of the rotor’s tilt, and of its thickness. */
const SECOND = { rotor: 5 / 45, thickness: 1 / 4 };
const THIRD = 1.5 / 45;

/** A corner as complaints bring it: hub and rotor tilted, worn a little, often thick and thin. */
export function complaintCorner(
  setup: PolicySetup,
  random: RandomSource,
  population: Population = USUAL_POPULATION,
): VirtualCorner {
  const share = (order: number, most: Micrometres): TrueOrder => ({
    order,
    amplitude: most * random.uniform(),
    highSpotDeg: anywhere(random),
  });
  const wear = setup.nominal - setup.discard;
  const { thickest, thinnest } = population;
  const [hub, rotor, variation] = [
    population.hub / 2,
    population.rotor / 2,
    population.variation / 2,
  ];
  return {
    studs: setup.studs,
    hub: [share(1, hub)],
    rotor: [share(1, rotor), share(2, SECOND.rotor * rotor), share(3, THIRD * rotor)],
    meanThickness: setup.discard + wear * (thinnest + (thickest - thinnest) * random.uniform()),
    thickness: [share(1, variation), share(2, SECOND.thickness * variation)],
  };
}

/** A corner as it stands: the truth, where its rotor is, and what was read of it so far. */
export interface Standing {
  readonly truth: VirtualCorner;
  readonly shift: number;
  readonly sets: readonly MeasuredSet[];
}

const dtvOf = (truth: VirtualCorner): Micrometres => waveTir(truth.thickness.map(truePhasor));

/** Whether a corner is truly within: runout, thickness variation and thickness. */
export function isTrulyWithin(
  { truth, shift }: Pick<Standing, 'truth' | 'shift'>,
  setup: PolicySetup,
): boolean {
  const thinnest = truth.meanThickness - dtvOf(truth) / 2;
  return (
    waveTir(trueRunout(truth, shift)) <= setup.limit &&
    dtvOf(truth) <= setup.dtvLimit &&
    thinnest >= setup.discard
  );
}

/** A tapered plate as part of the hub. */
function withPlate(truth: VirtualCorner, plate: PlateFit, setup: PolicySetup): VirtualCorner {
  const z = platePhasor(plate.correction, plate.thickAtStud, {
    studs: setup.studs,
    plates: setup.shop.equipment.plates,
    rotorRadius: setup.radius,
  });
  const added = { order: 1, amplitude: modulus(z), highSpotDeg: toDegrees(Math.atan2(z.im, z.re)) };
  return { ...truth, hub: [...truth.hub, added] };
}

/** What a lathe leaves of the metal: both faces clean and true to its own axis. */
function cutThickness(
  { truth, shift }: Standing,
  lathe: 'on-vehicle' | 'bench',
  tiltTir: Micrometres,
): Micrometres {
  const angles = inRadians(evenAngles(36));
  // The bench lathe turns the rotor on its own hat; on the vehicle the hub turns it.
  const wave =
    lathe === 'bench' ? trueRunout({ ...truth, hub: [] }, shift) : trueRunout(truth, shift);
  const u = angles.map((angle) => waveAt(wave, angle) + (tiltTir / 2) * Math.cos(angle));
  const v = u.map((value, j) => value - trueThicknessAt(truth, shift, angles[j] ?? 0));
  const { cleanUp } = WORKSHOP_DEFAULTS;
  return minimum(u) - cleanUp - (maximum(v) + cleanUp);
}

/** The corner after a cut on the vehicle: its rotor true against the hub, but for what the lathe leaves. */
function cutOnVehicle(standing: Standing, residual: Micrometres, random: RandomSource): Standing {
  const { truth } = standing;
  const left = tilt(residual * random.uniform(), random);
  const against = truth.hub.map(truePhasor).map(({ order, z }) => ({
    order,
    amplitude: modulus(z),
    highSpotDeg: toDegrees(Math.atan2(-z.im, -z.re) / order),
  }));
  const meanThickness = cutThickness(standing, 'on-vehicle', 0);
  const rotor = [...against, left];
  return { truth: { ...truth, rotor, thickness: [], meanThickness }, shift: 0, sets: [] };
}

/** The corner after an action, its tolerances drawn: the truth that nobody knows beforehand. */
export function applyAction(
  standing: Standing,
  action: Action,
  option: Pick<Option, 'shift'> & { readonly plate: PlateFit | null },
  setup: PolicySetup,
  random: RandomSource,
): Standing {
  const { truth, shift } = standing;
  const { equipment } = setup.shop;
  const fresh = { sets: [] } as const;
  const newMetal = { thickness: [], meanThickness: setup.nominal } as const;
  switch (action) {
    case 'leave':
    case 'clean':
      return standing;
    case 'index':
      return { ...standing, shift: option.shift ?? shift };
    case 'plate': {
      if (!option.plate) return standing;
      return {
        ...standing,
        truth: withPlate(truth, option.plate, setup),
        shift: option.plate.shift,
        sets: [],
      };
    }
    case 'on-vehicle':
      return cutOnVehicle(standing, equipment.residual, random);
    case 'bench':
    case 'bench-indexed': {
      const meanThickness = cutThickness(standing, 'bench', equipment.arborError);
      const rotor = [tilt(equipment.arborError * random.uniform(), random)];
      return { truth: { ...truth, rotor, thickness: [], meanThickness }, shift: 0, ...fresh };
    }
    case 'new':
    case 'new-indexed': {
      const rotor = [tilt(equipment.newRotorTolerance * random.uniform(), random)];
      return { truth: { ...truth, rotor, ...newMetal }, shift: 0, ...fresh };
    }
    case 'hub': {
      const hub = [tilt(newHubShare(setup.radius) * random.uniform(), random)];
      return { ...standing, truth: { ...truth, hub }, sets: [] };
    }
    case 'hub-new': {
      const hub = [tilt(newHubShare(setup.radius) * random.uniform(), random)];
      const rotor = [tilt(equipment.newRotorTolerance * random.uniform(), random)];
      return { truth: { ...truth, hub, rotor, ...newMetal }, shift: 0, ...fresh };
    }
  }
}

/** Whether any single choice, made by someone who knows the truth, ends within. */
export function bestPossible(
  truth: VirtualCorner,
  setup: PolicySetup,
  random: RandomSource,
): boolean {
  const first: Standing = { truth, shift: 0, sets: [] };
  const shifts = Array.from({ length: setup.studs }, (_, shift) => shift);
  const anyShift = (standing: Standing): boolean =>
    shifts.some((shift) => isTrulyWithin({ ...standing, shift }, setup));
  const none = { shift: null, plate: null };
  return (['leave', 'new', 'on-vehicle', 'bench', 'hub', 'hub-new'] as const).some((action) => {
    const after = applyAction(first, action, none, setup, random);
    const isCut = action === 'on-vehicle' || action === 'bench';
    return (!isCut || after.truth.meanThickness >= setup.machineTo) && anyShift(after);
  });
}
