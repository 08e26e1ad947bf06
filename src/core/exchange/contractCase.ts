import {
  dtvLimit,
  hubFaceLimit,
  measuredSet,
  runoutLimit,
  type AxleLimits,
  type RawSet,
} from '../assessment';
import { WORKSHOP_DEFAULTS } from '../verdict';

/** A set as the solvers’ contract takes it, in micrometres. */
export interface ContractCase {
  readonly solver: 'runout' | 'thickness';
  readonly input: Readonly<Record<string, unknown>>;
}

const given = (value: object): Record<string, unknown> =>
  Object.fromEntries(Object.entries(value).filter(([, each]) => each !== undefined));

/**
 * The input of `zh solve runout` or `thickness` for one set; null while no lap is whole, and
 * for a thickness without a discard thickness, which the contract asks for.
 */
export function contractCase(set: RawSet, studs: number, limits: AxleLimits): ContractCase | null {
  const measured = measuredSet(set);
  if (!measured) return null;
  const { laps, angles, gauge } = measured;
  if (measured.kind === 'thickness') {
    const { discard, machineTo, nominal } = limits;
    if (!discard) return null;
    const temperature = measured.temperature;
    return {
      solver: 'thickness',
      input: given({
        unit: 'um',
        laps,
        angles,
        gauge,
        zeroError: measured.zeroError,
        extra: measured.extra?.length ? measured.extra : undefined,
        settle: measured.settle || undefined,
        temperature: temperature === undefined ? undefined : { rotor: temperature, unit: 'C' },
        limits: given({
          nominal: nominal?.value,
          machineTo: machineTo?.value,
          discard: discard.value,
          dtv: dtvLimit(limits).value,
        }),
      }),
    };
  }
  const isHub = measured.kind === 'hub';
  const endPlay = isHub ? undefined : measured.endPlay;
  return {
    solver: 'runout',
    input: given({
      unit: 'um',
      face: isHub ? 'outboard' : measured.face,
      laps,
      closing: measured.closing,
      angles,
      studs,
      gauge,
      limit: isHub ? hubFaceLimit(measured.radius) : runoutLimit(limits).value,
      endPlay:
        endPlay === undefined ? undefined : { value: endPlay, limit: WORKSHOP_DEFAULTS.endPlay },
      pressed: (!isHub && measured.pressed) || undefined,
      turns: !isHub && measured.turns?.length ? measured.turns : undefined,
      sweep: measured.sweep,
    }),
  };
}
