import { binOf, stageMinutes, type Mark } from './stages';

/** What is counted of closed jobs. */
export const MEASURES = [
  /** Jobs by confirmed cause; the value is 1 for one that came back. */
  'cause',
  /** Jobs by correction, once however many corners; the value is 1 for one that came back. */
  'correction',
  /** Findings by "code=value". */
  'found',
  /** Minutes by stage. */
  'stage',
  /** Jobs by "stage|bin" of their minutes. */
  'stage-bin',
  /** Runout that was predicted, in µm TIR, by correction. */
  'predicted',
  /** Measured less predicted runout, in µm TIR, by correction. */
  'miss',
  /** 1 where the measured runout lay in the predicted band, by correction. */
  'within',
  /** Money saved against a new rotor by "currency|correction", comebacks taken off. */
  'money',
] as const;
export type Measure = (typeof MEASURES)[number];

/** A figure that one closed job adds under a key; `item` tells corners apart. */
export interface Tally {
  readonly measure: Measure;
  readonly key: string;
  readonly item: string;
  readonly value: number;
}

/** What was done at one corner, with what was to come of it. */
export interface CorrectedCorner {
  readonly corner: string;
  readonly correction: string;
  /** Predicted runout in µm TIR with its 95 % band; null where nothing was. */
  readonly predicted: { readonly tir: number; readonly low: number; readonly high: number } | null;
  /** Runout measured after the correction, in µm TIR. */
  readonly measured: number | null;
  /** What it cost, what a new rotor would have, and a comeback; null where a price was missing. */
  readonly money: {
    readonly currency: string;
    readonly done: number;
    readonly asNew: number;
    readonly comeback: number;
  } | null;
}

/** A closed job as it is learnt from. */
export interface ClosedJob {
  /** The confirmed cause by its code; null where none was. */
  readonly cause: string | null;
  readonly cameBack: boolean;
  readonly corners: readonly CorrectedCorner[];
  readonly found: readonly {
    readonly code: string;
    readonly value: string;
    readonly corner: string;
  }[];
  readonly marks: readonly Mark[];
}

/** The key of a job without a confirmed cause. */
export const NO_CAUSE = '';

function tallyCorner(
  { corner, correction, predicted, measured, money }: CorrectedCorner,
  cameBack: boolean,
): Tally[] {
  const at = (measure: Measure, key: string, value: number): Tally => ({
    measure,
    key,
    item: corner,
    value,
  });
  const proof =
    predicted === null || measured === null
      ? []
      : [
          at('predicted', correction, predicted.tir),
          at('miss', correction, measured - predicted.tir),
          at('within', correction, measured >= predicted.low && measured <= predicted.high ? 1 : 0),
        ];
  if (money === null) return proof;
  const saved = money.asNew - money.done - (cameBack ? money.comeback : 0);
  return [...proof, at('money', `${money.currency}|${correction}`, saved)];
}

/**
 * What a closed job adds to what the shop has learnt. Money is held against new rotors that
 * never come back, which favours the new ones. Lengths in µm, times in minutes.
 */
export function tallyJob({ cause, cameBack, corners, found, marks }: ClosedJob): Tally[] {
  const back = cameBack ? 1 : 0;
  const corrections = [...new Set(corners.map(({ correction }) => correction))];
  const stages = [...stageMinutes(marks)];
  return [
    { measure: 'cause', key: cause ?? NO_CAUSE, item: '', value: back },
    ...corrections.map((key): Tally => ({ measure: 'correction', key, item: '', value: back })),
    ...corners.flatMap((each) => tallyCorner(each, cameBack)),
    ...found.map(({ code, value, corner }): Tally => ({
      measure: 'found',
      key: `${code}=${value}`,
      item: corner,
      value: 1,
    })),
    ...stages.map(([key, value]): Tally => ({ measure: 'stage', key, item: '', value })),
    ...stages.map(([stage, minutes]): Tally => ({
      measure: 'stage-bin',
      key: `${stage}|${binOf(minutes)}`,
      item: '',
      value: 1,
    })),
  ];
}
