/** The stages of a job in the order of work: the time at each is kept. */
export const STAGES = [
  'complaint',
  'road-test',
  'strip',
  'measure',
  'decide',
  'correct',
  'rebuild',
  'prove',
  'report',
] as const;
export type StageKey = (typeof STAGES)[number];

/** Something that was written down at a stage. */
export interface Mark {
  readonly stage: StageKey;
  /** Milliseconds since the epoch. */
  readonly at: number;
}

/** A pause longer than this is no work on the job: lunch, the night, waiting for parts. */
const LONGEST_PAUSE = 30 * 60_000;

/**
 * Minutes of work at each stage: the time from one mark to the next counts for the stage of the
 * later one, pauses over half an hour left out. Stages without time are left out.
 */
export function stageMinutes(marks: readonly Mark[]): Map<StageKey, number> {
  const minutes = new Map<StageKey, number>();
  const ordered = [...marks].sort((p, q) => p.at - q.at);
  ordered.forEach(({ stage, at }, i) => {
    const before = ordered[i - 1];
    if (!before || at - before.at > LONGEST_PAUSE || at === before.at) return;
    minutes.set(stage, (minutes.get(stage) ?? 0) + (at - before.at) / 60_000);
  });
  return minutes;
}

/** Four bins to a doubling: a median read from them is within 9 % of the times' own. */
const BINS_A_DOUBLING = 4;

/** The bin of a time in minutes; those under a minute share the first. */
export const binOf = (minutes: number): number =>
  Math.round(BINS_A_DOUBLING * Math.log2(Math.max(1, minutes)));

/** The middle of a bin in minutes. */
export const minutesOf = (bin: number): number => 2 ** (bin / BINS_A_DOUBLING);

/** The time that a share of the jobs stayed under, from counted bins; null without any. */
export function timeAt(
  bins: readonly { readonly bin: number; readonly count: number }[],
  share: number,
): number | null {
  const ordered = [...bins].sort((p, q) => p.bin - q.bin);
  const all = ordered.reduce((sum, { count }) => sum + count, 0);
  let seen = 0;
  for (const { bin, count } of ordered) {
    seen += count;
    if (count > 0 && seen >= share * all) return minutesOf(bin);
  }
  return null;
}
