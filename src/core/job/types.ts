import type { LimitSource, RawReading, RawSet } from '../assessment';
import type { CheckEntry, CheckKind } from '../contracts';
import type { DecisionDetail, Shop } from '../options';
import type { Caliper, Choices, Fate } from '../procedure';
import type { AxlePosition, Corner, Fastening } from '../readings';
import type { RoadTestAnalysis } from '../roadtest';
import type { LimitField } from '../sheets';

/** When a set was read: as found, before a correction, or after it. */
export type Phase = 'as-found' | 'before' | 'after';

/** A figure of an axle as typed, beside its value in µm. */
export interface AxleFigure {
  readonly kind: LimitField;
  readonly valueUm: number;
  readonly text: string;
  readonly unit: string;
  readonly source: LimitSource;
}

/** An axle as the vehicle has it. */
export interface Axle {
  readonly position: AxlePosition;
  readonly fastening: Fastening;
  readonly studs: number;
  /** Index shifts that the rotor’s screw or pin allows; all when null. */
  readonly allowedShifts: readonly number[] | null;
  readonly caliper: Caliper;
  readonly pistons: number | null;
  /** Thread of its wheel nuts or bolts, where it is known; missing in what was signed before it was kept. */
  readonly thread?: string | null;
  /** Mass of one rotor in kg. */
  readonly rotorKg: number | null;
  /** What else its strip-down depends on, by the codes of the procedure. */
  readonly traits: readonly string[];
  readonly limits: readonly AxleFigure[];
  /** Whether somebody said how the wheel is held on; missing in what was signed before it was kept. */
  readonly isFasteningSaid?: boolean;
}

/** The vehicle of a job. */
export interface Vehicle {
  readonly id: string;
  readonly plate: string;
  readonly make: string;
  readonly model: string;
  readonly year: number | null;
  readonly drive: 'front' | 'rear' | 'all' | null;
  readonly variant: string;
  /** What its wheels are made of; missing in what was signed before it was kept. */
  readonly wheel?: 'steel' | 'alloy' | null;
  readonly massKg: number | null;
  /** Corners in the order that the maker bleeds them; null where it is not on file. */
  readonly bleedOrder: readonly string[] | null;
  readonly bleedSource: LimitSource | null;
  readonly tyre: string | null;
  readonly finalDrive: number | null;
  readonly brakeByWire: boolean;
  /** No vehicle yet: a quick check whose plate nobody has typed. */
  readonly isCheck?: boolean;
  readonly axles: readonly Axle[];
}

/** One reading as typed, beside its value in µm. */
export interface Reading extends RawReading {
  readonly text: string;
  readonly unit: string;
  readonly takenAt: Date;
}

/** A reading set with all that was read of it so far. */
export interface ReadingSet extends RawSet {
  readonly id: string;
  readonly corner: Corner;
  readonly phase: Phase;
  readonly circle: 'outer' | 'inner';
  readonly torqueNm: number | null;
  readonly gaugeId: string | null;
  readonly gaugeName: string | null;
  readonly gaugeDue: string | null;
  readonly isVirtual: boolean;
  readonly createdAt: Date;
  /** When it was set aside; it counts no more. */
  readonly setAsideAt: Date | null;
  readonly setAsideReason: string | null;
  readonly readings: readonly Reading[];
}

/** What is done about a rotor, as it is stored. */
export type Correction =
  | 'leave'
  | 'index'
  | 'hub'
  | 'machine-on-vehicle'
  | 'machine-bench'
  | 'replace'
  | 'clean'
  | 'plate'
  | 'hub-replace';

/** What was decided for a corner, in the words that were on the screen. */
export interface Decision {
  readonly corner: Corner;
  readonly correction: Correction;
  readonly shift: number | null;
  readonly words: string;
  /** The option that was taken, by its code. */
  readonly action: string | null;
  readonly detail: DecisionDetail | null;
  readonly decidedAt: Date;
}

/** An answer or a finding of the job, at a corner or (corner empty) of the whole vehicle. */
export interface Finding {
  readonly code: string;
  readonly corner: string;
  readonly value: string;
  readonly foundAt: Date;
}

interface WrittenDown {
  readonly note: string | null;
  readonly by: string | null;
  readonly at: Date;
  /** New with every write, so that a later writer is told of an earlier one. */
  readonly stamp: string;
  /** Rises with every write: what came after what, whatever the clock said. */
  readonly seq: number;
}

/** One item of the procedure as it was gone through; its value by kind and item. */
export type Check = CheckEntry & WrittenDown;

/** A check of a kind. */
export type CheckOfKind<Kind extends CheckKind> = Extract<Check, { readonly kind: Kind }>;

type Named<Kind extends CheckKind, Item extends string> = Extract<
  Check,
  { readonly kind: Kind; readonly item: Item }
>;

/** A check of a kind and an item: the one that bears the item’s name, else any of the kind. */
export type CheckOf<Kind extends CheckKind, Item extends string> = [Named<Kind, Item>] extends [
  never,
]
  ? CheckOfKind<Kind>
  : Named<Kind, Item>;

/** A part that was taken off, and how it sat. */
export interface TrayPart {
  readonly id: string;
  readonly corner: Corner;
  /** Its code in the procedure, or null for a part of another kind. */
  readonly kind: string | null;
  readonly name: string;
  readonly place: string;
  readonly orientation: string;
  readonly mark: string;
  readonly fate: Fate;
  readonly by: string | null;
  readonly takenAt: Date;
  readonly backAt: Date | null;
  readonly backBy: string | null;
}

export interface JobPhoto {
  readonly id: string;
  readonly corner: Corner;
  readonly partId: string | null;
  readonly sha256: string;
  readonly caption: string;
  readonly by: string | null;
  readonly takenAt: Date;
  readonly width: number;
  readonly height: number;
}

/** A torque figure of the vehicle and its like. */
export interface TorqueFigure {
  readonly axle: AxlePosition;
  /** The wheels whose nuts it is for; empty for any; missing in what was signed before it was kept. */
  readonly wheel?: string;
  readonly fastener: string;
  readonly valueNm: number;
  readonly text: string;
  readonly unit: string;
  readonly stages: readonly number[];
  /** Degrees that it is turned on after the last stage; 0 for none. */
  readonly angle: number;
  readonly treatment: string;
  readonly oneUse: boolean;
  readonly source: LimitSource;
  readonly by: string | null;
  readonly at: Date;
}

export interface RoadTest {
  readonly id: string;
  readonly phase: Phase;
  /** Rolling diameter in metres. */
  readonly diameter: number;
  /** What the recording says; null where this version cannot read it. */
  readonly summary: RoadTestAnalysis | null;
  readonly rawBytes: number | null;
  readonly takenAt: Date;
}

/** Something to be looked at again after a distance or by a day. */
export interface Recheck {
  readonly id: string;
  readonly what: 'wheel-nuts' | 'thickness' | 'runout';
  readonly dueKm: number | null;
  readonly dueOn: string | null;
  readonly by: string | null;
  readonly doneAt: Date | null;
  readonly doneBy: string | null;
}

/** What was added to a record after it was signed off. */
export interface Addition {
  readonly id: string;
  readonly text: string;
  readonly by: string;
  readonly at: Date;
}

/** A line of the ledger by which something graver may stand differently than it once did. */
export interface PastEntry {
  readonly seq: number;
  /** What it is about: a check, a finding, a set, a limit, an axle, a part, or an answer. */
  readonly what: string;
  readonly op: 'write' | 'change' | 'take-back' | 'sign' | 'answer' | 'import';
  readonly place: string;
  /** The row as it was before and after, by the names of its columns; null where there was none. */
  readonly before: unknown;
  readonly after: unknown;
  readonly who: string | null;
  readonly role: string | null;
  readonly reason: string | null;
  readonly at: Date;
}

/** Where a job came from that was brought in from records which are not this shop’s. */
export interface JobOrigin {
  /** When its archive was made. */
  readonly made: string;
  /** Who brought it in, and when. */
  readonly by: string | null;
  readonly at: string;
  /** It was signed off there: nobody has answered for it here. */
  readonly isSignedThere: boolean;
}

/**
 * One job with everything that its judgements rest on, as plain data. A signed job has the
 * figures, rules and prices that it was signed with.
 */
export interface Job {
  readonly id: string;
  readonly number: number;
  readonly complaint: string;
  readonly odometerKm: number | null;
  readonly confirmedCause: string | null;
  readonly createdAt: Date;
  readonly closedAt: Date | null;
  readonly signedBy: string | null;
  /** What was open when it was signed, and why it was signed all the same. */
  readonly signedWith: { readonly open: readonly string[]; readonly reason: string | null } | null;
  /** Whether the figures that it was signed with are kept with it. */
  readonly keepsFigures: boolean;
  readonly comebackOf: string | null;
  /** Where it came from that was brought in from other records; null for a job of this shop. */
  readonly origin: JobOrigin | null;
  readonly vehicle: Vehicle;
  readonly corners: readonly Corner[];
  /** Sets in the order they were begun, those set aside among them. */
  readonly sets: readonly ReadingSet[];
  readonly decisions: readonly Decision[];
  readonly findings: readonly Finding[];
  /** Codes of the findings that were set aside. */
  readonly aside: readonly string[];
  readonly roadTests: readonly RoadTest[];
  /** What was gone through of the procedure, in the order it was written. */
  readonly checks: readonly Check[];
  /** Checks that this version cannot read: they stay on file and count for nothing. */
  readonly unreadChecks: readonly { readonly kind: string; readonly item: string }[];
  /** Parts that were taken off, those back on among them. */
  readonly tray: readonly TrayPart[];
  readonly photos: readonly JobPhoto[];
  readonly torque: readonly TorqueFigure[];
  readonly additions: readonly Addition[];
  readonly rechecks: readonly Recheck[];
  /** What once stood and stands no more of what keeps a vehicle off the road, in order. */
  readonly past: readonly PastEntry[];
  /**
   * The last line of the ledger about the job, its vehicle and the shop: it rises with everything
   * that is written there.
   */
  readonly reach: Readonly<Record<'job' | 'vehicle' | 'shop', number>>;
  /** The house rules that the shop chose. */
  readonly shopRules: Choices;
  /** The shop’s prices and equipment. */
  readonly shop: Shop;
}
