import { formatTorque, type NewtonMetres, type TorqueUnit } from '../units';
import type { FastenerCode } from './fasteners';

/**
 * What a fastener is drawn up to, where there is room for a few words only: never a bare figure where
 * more follows it. A bearing nut is backed off after its seating torque, a bolt may be turned on.
 * @param angle degrees that it is turned on after its torque; 0 for none
 */
export function sayDrawnUp(
  code: FastenerCode,
  torque: NewtonMetres,
  angle: number,
  unit: TorqueUnit,
): string {
  if (code === 'bearing-nut') return 'seat, back off';
  return [formatTorque(torque, unit), ...(angle > 0 ? [`+ ${angle}°`] : [])].join(' ');
}
