import { DEMO_SHOP, readDial, readMicrometer, type VirtualCorner } from '@/core/bench';
import {
  assessCorner,
  type AxleLimits,
  type CornerRecord,
  type MeasuredSet,
} from '@/core/assessment';
import { seededRandom } from '@/core/numeric';
import { compareOptions, type Action, type Option, type Shop } from '@/core/options';
import { wearByDefault } from '@/core/wear';

const gauge = { resolution: 1, repeatability: 1 };
const micrometer = { resolution: 1, repeatability: 1.5, mpe: 2 };
export const known = (value: number) => ({ value, source: 'maker' as const });
export const LIMITS: AxleLimits = {
  nominal: known(28_000),
  machineTo: known(26_500),
  discard: known(26_000),
  runout: known(50),
  radius: known(135_000),
};

interface Truth {
  readonly hub?: number;
  readonly rotor?: number;
  readonly at?: number;
  readonly thickness?: number;
  readonly dtv?: number;
  readonly studs?: number;
}

export const cornerOf = ({
  hub = 5,
  rotor = 30,
  at = 0,
  thickness = 27_500,
  dtv = 2,
  studs = 5,
}: Truth) =>
  ({
    studs,
    hub: [{ order: 1, amplitude: hub, highSpotDeg: 40 }],
    rotor: [{ order: 1, amplitude: rotor, highSpotDeg: 40 + at }],
    meanThickness: thickness,
    thickness: [{ order: 1, amplitude: dtv, highSpotDeg: 60 }],
  }) satisfies VirtualCorner;

/** A corner read at these shifts, thickness with the last of them. */
export function recordOf(
  truth: VirtualCorner,
  shifts: readonly number[] = [0, 2],
  more: Partial<CornerRecord> = {},
  seed = 5,
): CornerRecord {
  const random = seededRandom(seed);
  const last = shifts.at(-1) ?? 0;
  const run = { positions: 12, laps: 1 };
  const sets: MeasuredSet[] = shifts.map((shift) => ({
    kind: 'runout',
    face: 'outboard',
    gauge,
    shift,
    laps: readDial(truth, { ...run, shift, gauge }, random).laps,
  }));
  const laps = readMicrometer(truth, { ...run, shift: last, gauge: micrometer }, random);
  const thickness: MeasuredSet = { kind: 'thickness', gauge: micrometer, shift: last, laps };
  return {
    corner: 'FL',
    fastening: 'studs',
    studs: truth.studs,
    allowedShifts: null,
    limits: LIMITS,
    sets: shifts.length > 0 ? [...sets, thickness] : [],
    ...more,
  };
}

export function compare(record: CornerRecord, shop: Shop = DEMO_SHOP, draws = 400) {
  const assessment = assessCorner(record);
  const input = { record, assessment, shop, extras: [], wear: wearByDefault('organic'), draws };
  const options = compareOptions(input);
  const of = (action: Action): Option => options.find((each) => each.action === action)!;
  return { record, assessment, options, of, input };
}
