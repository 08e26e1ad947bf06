import type { PlateAdvice } from '../plate';
import type { Micrometres } from '../units';
import type { Verdict } from '../verdict';
import type { DistanceLeft } from '../wear';
import type { Action } from './actions';
import type { Cost } from './shop';

/** Something to be said of an option, as data; put into words by `sayNote`. */
export type Note =
  | { readonly code: 'ruled-out'; readonly why: string }
  | { readonly code: 'below-discard'; readonly by: Micrometres }
  | { readonly code: 'near-discard' }
  | { readonly code: 'too-thin'; readonly by: Micrometres }
  | { readonly code: 'near-machine-to'; readonly margin: Micrometres; readonly guard: Micrometres }
  | { readonly code: 'captive' }
  | { readonly code: 'one-place' }
  | { readonly code: 'best-already' }
  | { readonly code: 'clean-already' }
  | { readonly code: 'no-lathe' }
  | { readonly code: 'sent-out' }
  | { readonly code: 'plate-not-needed' }
  | { readonly code: 'plate-no-better' }
  | { readonly code: 'hub-sound'; readonly hub: Micrometres; readonly limit: Micrometres }
  | { readonly code: 'seat' }
  | { readonly code: 'does-not-cure' }
  | { readonly code: 'dtv-stays'; readonly dtv: Micrometres; readonly limit: Micrometres }
  | {
      readonly code: 'dtv-near';
      readonly dtv: Micrometres;
      readonly limit: Micrometres;
      readonly chance: number;
    }
  | { readonly code: 'sides'; readonly apart: Micrometres; readonly limit: Micrometres }
  | { readonly code: 'not-alike' }
  | { readonly code: 'missing'; readonly what: Missing }
  | { readonly code: 'hub-assumed'; readonly hub: Micrometres }
  | { readonly code: 'machine-to-derived'; readonly reserve: Micrometres }
  | { readonly code: 'dtv-assumed' }
  | { readonly code: 'after-cleaning' };

/** A figure that an option rests on and that is not there. */
export type Missing =
  | 'runout'
  | 'second-mounting'
  | 'present-seat'
  | 'thickness'
  | 'discard'
  | 'radius'
  | 'nominal'
  | 'hub'
  | 'price'
  | 'hourly'
  | 'comeback'
  | 'other-side'
  | 'valid';

/** Predicted runout: the middle of the draws, its 95 % band, and the worst that can be. */
export interface PredictedRunout {
  readonly tir: Micrometres;
  readonly low: Micrometres;
  readonly high: Micrometres;
  /** With every tolerance at its limit and in its worst direction; null where there is none. */
  readonly atWorst: Micrometres | null;
}

/** One row of the table: what it predicts and costs, and what speaks against it. */
export interface Option {
  readonly action: Action;
  /** Why it may not be done; empty where it may. */
  readonly forbidden: readonly Note[];
  /** What it lacks to be judged; empty where nothing is missing. */
  readonly missing: readonly Note[];
  /** What is assumed, and what should be known before it is chosen. */
  readonly notes: readonly Note[];
  readonly runout: PredictedRunout | null;
  /** Chance that runout and thickness variation end within, 0 to 1. */
  readonly probability: number | null;
  /** Thinnest place afterwards. */
  readonly finished: Micrometres | null;
  readonly finishedVerdict: Verdict | null;
  readonly distance: DistanceLeft | null;
  readonly cost: Cost;
  readonly expected: number | null;
  /** Shift that the rotor is moved to. */
  readonly shift: number | null;
  readonly plate: PlateAdvice | null;
  /** Chance to end within at another runout limit, in µm; null where nothing is predicted. */
  readonly chanceAt: ((limit: Micrometres) => number) | null;
}

/** An option may be taken when nothing forbids it and nothing it needs is missing. */
export const mayBeTaken = ({
  forbidden,
  missing,
}: Pick<Option, 'forbidden' | 'missing'>): boolean =>
  forbidden.length === 0 && missing.every((note) => isOnlyPrice(note));

const PRICE_WORDS: readonly Missing[] = ['price', 'hourly', 'comeback'];

/** A missing price keeps an option from being ranked, not from being taken. */
export const isOnlyPrice = (note: Note): boolean =>
  note.code === 'missing' && PRICE_WORDS.includes(note.what);

/** What was predicted of the option that was taken, as it stood when it was decided. */
export interface DecisionDetail {
  readonly runout: PredictedRunout | null;
  readonly probability: number | null;
  readonly finished: Micrometres | null;
  readonly expected: number | null;
  readonly currency: string;
  readonly plate: { readonly correction: Micrometres; readonly thickAtStud: number } | null;
  /** Runout that was to remain after a cut; null where the hub was not known. */
  readonly remaining: Micrometres | null;
  /** Parts and work of what was taken, of a new rotor instead, and of a comeback; null without prices. */
  readonly money?:
    | { readonly done: number; readonly asNew: number; readonly comeback: number }
    | null
    | undefined;
}
