/** Tries that nobody waits after: a slip of the thumb, and one more. */
const FREE_TRIES = 3;
/** The longest wait after a try, in seconds: a thousand tries take ten days. */
const LONGEST_WAIT_S = 900;
/** So many wrong tries in a row are no slip: a lead is told. */
export const WORTH_SAYING = 8;

/**
 * How long nobody may try again after so many wrong tries in a row, in seconds: nothing for the
 * first three, then 2, 4, 8 … up to a quarter of an hour. The growth is ours, by what it is to
 * reach: a thousand tries at six digits must cost hours.
 */
export const waitAfter = (failed: number): number =>
  failed < FREE_TRIES ? 0 : Math.min(2 ** (failed - FREE_TRIES + 1), LONGEST_WAIT_S);

/** Seconds that are still to be waited after `failed` tries, the last of them `sinceS` seconds ago. */
export const stillToWait = (failed: number, sinceS: number): number =>
  Math.max(0, Math.ceil(waitAfter(failed) - sinceS));
