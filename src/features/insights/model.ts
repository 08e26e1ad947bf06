import type { Mean, Share, StageKey } from '@/core/insights';

const CORRECTIONS: Readonly<Record<string, string>> = {
  leave: 'Left as it was',
  clean: 'Cleaned and refitted',
  index: 'Indexed',
  plate: 'Tapered plate',
  'machine-on-vehicle': 'Cut on the vehicle',
  'machine-bench': 'Cut on the bench lathe',
  replace: 'New rotor',
  hub: 'New hub or bearing',
  'hub-replace': 'New hub and rotor',
};

/** A correction by its code, in words. */
export const correctionName = (code: string): string => CORRECTIONS[code] ?? code;

export const STAGE_NAME: Readonly<Record<StageKey, string>> = {
  complaint: 'Complaint',
  'road-test': 'Road test',
  strip: 'Strip and inspect',
  measure: 'Measure',
  decide: 'Decide',
  correct: 'Correct',
  rebuild: 'Rebuild',
  prove: 'Prove',
  report: 'Report and sign-off',
};

/** A share of 0 to 1 in whole per cent, or with a decimal below ten. */
const percent = (share: number): string =>
  `${(100 * share).toFixed(share > 0 && share < 0.1 ? 1 : 0)}`;

/** A share with its 95 % interval; a small number as a count, said to be small. */
export function sayShare({ count, of, share, low, high, isFew }: Share): string {
  if (share === null) return 'none yet';
  if (isFew) return `${count} of ${of}, too few to call a rate`;
  return `${percent(share)} % (95 % sure: ${percent(low)} to ${percent(high)} %)`;
}

/** Minutes as a clock's words. */
export function sayMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 1) return 'under a minute';
  if (whole < 90) return `${whole} min`;
  return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')} min`;
}

/** Whether the mean of the misses is surely to one side of nothing. */
export function biasOf({ low, high, isFew }: Mean): 'more' | 'less' | 'none' | 'unknown' {
  if (isFew || low === null || high === null) return 'unknown';
  if (low > 0) return 'more';
  return high < 0 ? 'less' : 'none';
}
