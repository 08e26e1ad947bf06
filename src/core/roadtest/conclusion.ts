/** The order that stands out of the others, counted in turns of the wheel. */
interface Strongest {
  readonly order: number;
}

/**
 * What a drive says: nothing turns with the shake (`nothing`), an order that no wheel turns at
 * (`driveline`), an order of the wheel that comes under braking (`brakes`), that is there without
 * (`tyres`), or nothing was braked to compare with (`not-braked`).
 */
export type RoadTestConclusion = 'nothing' | 'driveline' | 'brakes' | 'tyres' | 'not-braked';

/** Braking this much stronger than coasting counts as braking only. Source: handbook 13. */
const BRAKE_RATIO = 2;
/** Highest whole order that a wheel and its brake are looked for at. Source: handbook 13. */
const HIGHEST_WHEEL_ORDER = 3;

/** The one judgement of a drive, from which its sentence and what it tells the diagnosis are made. */
export function concludeRoadTest(
  {
    strongest,
    brakingToCoasting,
  }: { readonly strongest: Strongest | null; readonly brakingToCoasting: number | null },
  wasBraked: boolean,
): RoadTestConclusion {
  if (!strongest) return 'nothing';
  const { order } = strongest;
  if (!Number.isInteger(order) || order > HIGHEST_WHEEL_ORDER) return 'driveline';
  if (!wasBraked) return 'not-braked';
  return brakingToCoasting === null || brakingToCoasting >= BRAKE_RATIO ? 'brakes' : 'tyres';
}

/** A conclusion in one sentence. */
export function sayConclusion(conclusion: RoadTestConclusion, strongest: Strongest | null): string {
  const at = strongest?.order ?? 0;
  const order = `Order ${Number.isInteger(at) ? at : at.toFixed(2)}`;
  switch (conclusion) {
    case 'nothing':
      return 'No order stands out: nothing turns with this shake, or there is none.';
    case 'driveline':
      return `${order} is strongest: no whole turn of the wheel, so look at the driveline.`;
    case 'not-braked':
      return `${order} of the wheel is strongest; nothing was braked to compare with.`;
    case 'brakes':
      return `${order} of the wheel is strongest and comes under braking: look at the brakes.`;
    case 'tyres':
      return `${order} of the wheel is strongest with and without braking: look at tyres and wheels.`;
  }
}
