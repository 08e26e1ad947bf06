import type { Micrometres } from '../units';
import type { Reason } from '../verdict';

export type LatheKind = 'on-vehicle' | 'bench';

/** What to do about a corner, with the figures that its sentence needs. */
export type Advice =
  | { readonly kind: 'measure'; readonly what: 'runout' | 'thickness' | 'present-seat' }
  | { readonly kind: 'limit-missing'; readonly what: 'discard' }
  | { readonly kind: 'not-valid'; readonly reasons: readonly Reason[] }
  | { readonly kind: 'seat-again' }
  /** A mounting reads as another seat, or as none: which it is, is asked before it counts. */
  | { readonly kind: 'which-seat'; readonly stated: number; readonly readsAs: number | null }
  | {
      readonly kind: 'within';
      /** Nothing is said of thickness: it tells nothing here, or is not asked for. */
      readonly isRunoutAlone?: boolean;
    }
  /** Within since the rotor was moved: it is kept where it sits now. */
  | {
      readonly kind: 'kept';
      readonly from: number;
      readonly to: number;
      readonly before: Micrometres;
      readonly now: Micrometres;
      readonly limit: Micrometres;
      /** Its discard thickness is not known: nothing is said of its thickness. */
      readonly isThicknessOpen?: boolean;
      readonly isRunoutAlone?: boolean;
    }
  /** Within since its seat was cleaned: it stays as it is. */
  | {
      readonly kind: 'cleaned';
      readonly before: Micrometres;
      readonly now: Micrometres;
      readonly limit: Micrometres;
      readonly isRunoutAlone?: boolean;
    }
  /** Within since it was corrected: each figure that was beyond its limit, before and now. */
  | {
      readonly kind: 'proven';
      readonly figures: readonly {
        readonly what: 'runout' | 'thickness variation';
        readonly before: Micrometres;
        readonly now: Micrometres;
        readonly limit: Micrometres;
      }[];
    }
  | {
      readonly kind: 'too-close';
      readonly what: 'runout' | 'thickness variation' | 'thickness';
      readonly laps: number | null;
    }
  | { readonly kind: 'second-mounting'; readonly from: number; readonly to: number }
  | {
      readonly kind: 'index';
      readonly from: number;
      readonly to: number;
      readonly tir: Micrometres;
      readonly before: Micrometres;
      readonly limit: Micrometres;
      readonly probability: number;
    }
  | {
      readonly kind: 'plate';
      readonly from: number;
      readonly shift: number;
      readonly correction: Micrometres;
      readonly thickAtStud: number;
      readonly tir: Micrometres;
      readonly before: Micrometres;
      readonly limit: Micrometres;
      readonly probabilityWithin: number;
    }
  /** Runout alone is asked for, and no place of the rotor brings it within: its best is predicted. */
  | { readonly kind: 'no-place'; readonly tir: Micrometres; readonly limit: Micrometres }
  | { readonly kind: 'clean' }
  | { readonly kind: 'leave'; readonly probability: number }
  | { readonly kind: 'hub'; readonly hubTir: Micrometres; readonly limit: Micrometres }
  | {
      readonly kind: 'machine';
      readonly lathe: LatheKind;
      /** Moved to its best place after the cut. */
      readonly isIndexed?: boolean | undefined;
      readonly depthOutboard: Micrometres;
      readonly depthInboard: Micrometres;
      readonly finished: Micrometres;
      readonly left: Micrometres;
      readonly remaining: Micrometres | null;
    }
  | {
      readonly kind: 'replace';
      readonly why:
        | 'below-discard'
        | 'too-thin-to-cut'
        | 'no-cut-cures'
        | 'condemned'
        | 'no-cut-allowed'
        | 'chosen';
      /** What condemns the rotor or rules a cut out, in words. */
      readonly reasons?: readonly string[];
      readonly by: Micrometres;
      /** True when the hub's own share is known to leave no room for a new rotor. */
      readonly hubToo: boolean;
      /** The new rotor is measured and moved to its best place. */
      readonly isIndexed?: boolean | undefined;
    };

/** An advice of one kind. */
export type AdviceOf<Kind extends Advice['kind']> = Extract<Advice, { kind: Kind }>;
