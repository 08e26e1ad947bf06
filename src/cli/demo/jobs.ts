import type { VirtualCorner } from '../../core/bench';
import type { Corner } from '../../core/readings';
import type { FastenerCode } from '../../core/torque';
import type { DRIVES } from './drives';
import type { DemoStrip } from './strips';
import type { VEHICLES } from './vehicles';

/** What is read at a corner: mountings in order, then thickness at the first of them. */
export interface DemoCorner {
  readonly corner: Corner;
  readonly truth: VirtualCorner;
  readonly shifts: readonly number[];
  /** Creep of the indicator's base in one turn, in micrometres. */
  readonly drift?: number;
  /** Runout readings taken before the work was left; all when not given. */
  readonly readings?: number;
  readonly isDecided?: boolean;
  /** Truth after a correction, read at the decided shift. */
  readonly after?: VirtualCorner;
}

export interface DemoJob {
  readonly vehicle: keyof typeof VEHICLES;
  readonly complaint: string;
  readonly odometerKm: string;
  readonly corners: readonly DemoCorner[];
  /** Answers to the complaint's questions and what was found, by code. */
  readonly answers?: Readonly<Record<string, string>>;
  /** The road test that a phone recorded. */
  readonly drive?: keyof typeof DRIVES;
  readonly strip?: DemoStrip;
  /** What was put right at the first corner, by item; the rest of it was looked at and sound. */
  readonly putRight?: Readonly<Record<string, string>>;
  /** Going together again: done up to a step of the rebuild, some figures missing. */
  readonly rebuild?: {
    readonly upTo: string;
    /** Thickness measured after a cut. */
    readonly finished?: string;
    readonly without: readonly FastenerCode[];
    readonly parts: readonly {
      readonly kind: string;
      readonly name: string;
      readonly place: string;
      readonly orientation: string;
      readonly mark: string;
      readonly fate: 'reuse' | 'renew';
    }[];
  };
  readonly isClosed?: boolean;
  /** What the work confirmed, for a closed job. */
  readonly confirmedCause?: string;
}
