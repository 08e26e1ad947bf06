import { formatDate } from '@/core/calendar';
import { LIMIT_FIELDS, type AxleForm, type VehicleForm } from '@/core/contracts';
import { TRAITS } from '@/core/procedure';
import { lengthUnitOf, UNIT_SIGN, type LengthUnit } from '@/core/units';

interface StoredLimit {
  readonly kind: string;
  readonly text: string;
  readonly unit: string;
  readonly source: AxleForm['limits']['discard']['source'];
  readonly by?: string | null;
  readonly at?: Date | null;
}
interface StoredAxle {
  readonly position: 'front' | 'rear';
  readonly fastening: AxleForm['fastening'];
  readonly studs: number;
  readonly allowedShifts: readonly number[] | null;
  readonly caliper: AxleForm['caliper'];
  readonly pistons: number | null;
  readonly traits: readonly string[];
  readonly rotorKg?: number | null;
  readonly thread?: string | null;
  readonly limits: readonly StoredLimit[];
}
interface StoredVehicle {
  readonly plate: string;
  readonly make: string;
  readonly model: string;
  readonly tyre?: string | null;
  readonly finalDrive?: number | null;
  readonly brakeByWire?: boolean;
  readonly year?: number | null;
  readonly drive?: 'front' | 'rear' | 'all' | null;
  readonly variant?: string;
  readonly massKg?: number | null;
  readonly wheel?: 'steel' | 'alloy' | null;
  readonly axles: readonly StoredAxle[];
}

const carriesUnit = (text: string): boolean => /[^\d\s.,+-]/.test(text);

/** A figure as it was typed, with the unit it was typed in, so that it reads the same in any shop. */
function typedText(limit: StoredLimit): string {
  const unit: LengthUnit | null = lengthUnitOf(limit.unit);
  return carriesUnit(limit.text) || !unit ? limit.text : `${limit.text} ${UNIT_SIGN[unit]}`;
}

function limitsForm(stored: readonly StoredLimit[]): AxleForm['limits'] {
  const of = (kind: (typeof LIMIT_FIELDS)[number]['kind']): AxleForm['limits']['discard'] => {
    const found = stored.find((limit) => limit.kind === kind);
    return found
      ? { length: typedText(found), source: found.source }
      : { length: '', source: 'maker' };
  };
  return {
    nominal: of('nominal'),
    machineTo: of('machineTo'),
    discard: of('discard'),
    runout: of('runout'),
    dtv: of('dtv'),
    radius: of('radius'),
    piston: of('piston'),
    drumNominal: of('drumNominal'),
    drumMachineTo: of('drumMachineTo'),
    drumDiscard: of('drumDiscard'),
    drumRound: of('drumRound'),
  };
}

/** Counts of pistons that are offered; empty where it is not known. */
export const PISTONS = ['', '1', '2', '3', '4', '6', '8'] as const;

const placesOf = (shifts: readonly number[] | null): AxleForm['places'] => {
  if (shifts === null) return 'any';
  return shifts.length > 1 ? 'some' : 'as-found';
};

const axleForm = (axle: StoredAxle | undefined): AxleForm => ({
  fastening: axle?.fastening ?? 'studs',
  studs: axle?.studs ?? 5,
  places: placesOf(axle?.allowedShifts ?? null),
  shifts: (axle?.allowedShifts ?? []).map(String),
  thread: axle?.thread ?? '',
  caliper: axle?.caliper ?? 'floating',
  pistons: PISTONS.find((count) => count === String(axle?.pistons ?? '')) ?? '',
  traits: TRAITS.filter((trait) => axle?.traits.includes(trait)),
  rotorKg: String(axle?.rotorKg ?? ''),
  limits: limitsForm(axle?.limits ?? []),
});

/** The form of a vehicle on file, or an empty one. */
export function vehicleForm(vehicle: StoredVehicle | null): VehicleForm {
  const axle = (position: 'front' | 'rear'): AxleForm =>
    axleForm(vehicle?.axles.find((each) => each.position === position));
  return {
    plate: vehicle?.plate ?? '',
    make: vehicle?.make ?? '',
    model: vehicle?.model ?? '',
    tyre: vehicle?.tyre ?? '',
    finalDrive: String(vehicle?.finalDrive ?? ''),
    brakeByWire: vehicle?.brakeByWire ?? false,
    year: String(vehicle?.year ?? ''),
    drive: vehicle?.drive ?? '',
    variant: vehicle?.variant ?? '',
    massKg: String(vehicle?.massKg ?? ''),
    wheel: vehicle?.wheel ?? '',
    front: axle('front'),
    rear: axle('rear'),
  };
}

/** Who entered the figures of a vehicle and when, by axle and kind. */
export type Entered = Readonly<Record<string, string>>;

/** Who entered each figure, like "front.discard"; those of which it is not known are left out. */
export const enteredBy = (vehicle: StoredVehicle): Entered =>
  Object.fromEntries(
    vehicle.axles.flatMap(({ position, limits }) =>
      limits.flatMap(({ kind, by, at }) =>
        at
          ? [
              [
                `${position}.${kind}`,
                `entered ${by ? `by ${by} ` : ''}${formatDate(at, 'D MMM YYYY')}`,
              ],
            ]
          : [],
      ),
    ),
  ) as Entered;
