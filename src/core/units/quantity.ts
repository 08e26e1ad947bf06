/**
 * Quantities carry their unit in the type. They are flavours of `number`: a bare
 * number may be given where a quantity is wanted, one quantity for another may not.
 */
type Quantity<Unit extends string> = number & { readonly __unit?: Unit };

/** A length in micrometres, the canonical unit inside the core. */
export type Micrometres = Quantity<'um'>;
/** An angle in degrees, used at the edges. */
export type Degrees = Quantity<'deg'>;
/** An angle in radians, used inside the core. */
export type Radians = Quantity<'rad'>;
/** A torque in newton metres. */
export type NewtonMetres = Quantity<'Nm'>;
/** A temperature in degrees Celsius. */
export type Celsius = Quantity<'degC'>;
/** A pressure above the air's, in bar. */
export type Bar = Quantity<'bar'>;

export const RADIANS_PER_DEGREE = Math.PI / 180;

export const toRadians = (angle: Degrees): Radians => (angle as number) * RADIANS_PER_DEGREE;
export const toDegrees = (angle: Radians): Degrees => (angle as number) / RADIANS_PER_DEGREE;

/** The same angle in [0, period) degrees; values within 1e-9 of the period become 0. */
export function wrapDegrees(angle: Degrees, period: Degrees = 360): Degrees {
  const wrapped = (((angle as number) % period) + period) % period;
  return period - wrapped < 1e-9 ? 0 : wrapped;
}
