/** What a corner of a vehicle has, as far as the work at it differs. */
export const TRAITS = [
  'retaining-screw',
  'riveted',
  'drum-in-hat',
  'electric-parking-brake',
  'bearing-in-rotor',
  'screw-in-pistons',
  'rigid-line',
  'wear-sensor',
  'lock-nuts',
  'two-piece',
  'composite',
  'press-pins',
  'pivoting',
] as const;
export type Trait = (typeof TRAITS)[number];

/** What a vehicle can have beside, in words. */
export const TRAIT_NAME: Readonly<Record<Trait, string>> = {
  'retaining-screw': 'Rotor retaining screw',
  riveted: 'Rotor riveted to the hub',
  'drum-in-hat': 'Parking-brake drum in the hat',
  'electric-parking-brake': 'Electric parking brake',
  'bearing-in-rotor': 'Rotor carries its bearings',
  'screw-in-pistons': 'Screw-in pistons',
  'rigid-line': 'Caliper plumbed rigidly',
  'wear-sensor': 'Pad wear sensor',
  'lock-nuts': 'Locking wheel nuts',
  'two-piece': 'Two-piece rotor, its ring floating on buttons',
  composite: 'Composite rotor (carbon-ceramic)',
  'press-pins': 'Caliper held by press-in pins',
  pivoting: 'Caliper pivots on a stud',
};

/** The same where shoes in a drum brake the wheel. */
export const TRAIT_NAME_OF_DRUM: Readonly<Partial<Record<Trait, string>>> = {
  'retaining-screw': 'Drum retaining screw',
  'bearing-in-rotor': 'Drum carries its bearings',
  'rigid-line': 'Wheel cylinder plumbed rigidly',
};

/** What brakes a wheel: a caliper over a rotor, or shoes in a drum. */
export const CALIPERS = ['floating', 'fixed', 'drum'] as const;
export type Caliper = (typeof CALIPERS)[number];

/** What a condition can forbid. */
export const FORBIDDEN = ['machining', 'second-cut', 'rotor', 'road'] as const;
export type Forbidden = (typeof FORBIDDEN)[number];

/** What becomes of a part that was taken off. */
export const FATES = ['reuse', 'renew', 'exchange'] as const;
export type Fate = (typeof FATES)[number];

/**
 * Conditions under which an entry applies, all of them: a trait, its absence ("!riveted"),
 * or a house rule ("rule:push-back=bleeder").
 */
export type When = readonly string[];

/** A caution, shown wherever one of its hazards occurs. */
export interface Caution {
  readonly code: string;
  readonly hazards: readonly string[];
  readonly say: string;
}

interface Hazardous {
  readonly code: string;
  readonly hazards: readonly string[];
  readonly when?: When | undefined;
}

/** One line of the list that is gone through before a vehicle is lifted. */
export interface SafetyItem extends Hazardous {
  readonly say: string;
  readonly why: string;
}

/** Pages on which a step can be done. */
export const STEP_PLACES = ['as-found', 'hub', 'parts', 'torque', 'tray', 'installed'] as const;

/** One step at a corner, in the order of work. */
export interface Step extends Hazardous {
  readonly title: string;
  readonly say: string;
  readonly why: string;
  /** Codes of what is looked at in this step. */
  readonly looks: readonly string[];
  readonly figures: readonly string[];
  /** Findings of the diagnosis that are answered in it, by their codes. */
  readonly asks: readonly string[];
  /** Codes of the parts that come off in it. */
  readonly parts: readonly string[];
  readonly rules: readonly string[];
  readonly ladders: readonly string[];
  readonly contacts: readonly string[];
  readonly retraction: boolean;
  /** The page on which it is done, where it has one. */
  readonly goes?: (typeof STEP_PLACES)[number] | undefined;
  /** Whether the job cannot be signed off without it. */
  readonly required: boolean;
}

/** A finding of the diagnosis: its code and value. */
export interface Says {
  readonly code: string;
  readonly value: string;
}

/** Something that can be wrong with what is looked at. */
/** Metal that is cut off takes away what lies on the face; a new part what lies deeper too. */
export const GOES_WITH = ['cut', 'new'] as const;
export type GoesWith = (typeof GOES_WITH)[number];

export interface Condition {
  readonly code: string;
  readonly name: string;
  /** How to tell it. */
  readonly tell: string;
  readonly drawing?: string | undefined;
  readonly means: string;
  readonly forbids: readonly { readonly what: Forbidden; readonly why: string }[];
  /** The part it condemns. */
  readonly renew?: string | undefined;
  /** The least work on the rotor or drum that takes it away; left out where none of it does. */
  readonly goesWith?: GoesWith | undefined;
  readonly says: Says;
}

/** One thing to look at. */
export interface LookItem {
  readonly code: string;
  readonly group: string;
  readonly name: string;
  readonly when?: When | undefined;
  /** What it tells the diagnosis when it is sound; null where it is only a part of a check. */
  readonly soundSays: Says | null;
  readonly conditions: readonly Condition[];
}

/** What a measured figure of the inspection is. */
export type FigureKind = 'pad' | 'thickness' | 'amount' | 'endPlay' | 'drum';

export interface FigureItem {
  readonly code: string;
  readonly group: string;
  readonly name: string;
  readonly of: FigureKind;
}

/** What follows from a school of a house rule. */
export type Effect =
  | { readonly kind: 'contact'; readonly at: string; readonly product: string }
  | { readonly kind: 'step' | 'adds'; readonly at: string }
  | { readonly kind: 'fate'; readonly at: string; readonly fate: Fate }
  | { readonly kind: 'option'; readonly at: string; readonly allows: string }
  | { readonly kind: 'figure'; readonly at: 'runout'; readonly micrometres: number }
  | { readonly kind: 'opened' | 'text'; readonly at: string };

export interface RuleChoice {
  readonly code: string;
  readonly name: string;
  readonly for: string;
  readonly against: string;
  /** What steps and report say where it is followed. */
  readonly say: string;
  readonly effects: readonly Effect[];
}

/** A point where good technicians differ. */
export interface HouseRule {
  readonly code: string;
  readonly number: number;
  readonly title: string;
  /** The school that is followed until the shop chooses. */
  readonly shipped: string;
  readonly schools: readonly RuleChoice[];
}

export interface PartKind {
  readonly code: string;
  readonly name: string;
  readonly places: readonly string[];
  /** The house rule that says what becomes of it. */
  readonly rule: string | null;
}

/** A way to push pistons back, with its harms. */
export interface Retraction extends Hazardous {
  readonly name: string;
  readonly how: string;
  readonly harms: readonly string[];
}

/** What to try, in order, when something will not come apart. */
export interface Ladder extends Hazardous {
  readonly name: string;
  readonly steps: readonly string[];
  readonly condemns: string;
}

/** What goes where: product, amount, and what is forbidden there. */
export interface Contact extends Hazardous {
  readonly place: string;
  readonly product: string;
  readonly amount: string;
  readonly never: string;
  readonly rule: string | null;
}

/** Something that a new part is held against the record for. */
export interface RightPart {
  readonly code: string;
  readonly say: string;
  readonly when?: When | undefined;
}

/** Everything that the Strip and Rebuild stages are made of. */
export interface Procedure {
  readonly cautions: readonly Caution[];
  readonly lifting: readonly SafetyItem[];
  readonly rightParts: readonly RightPart[];
  readonly steps: readonly Step[];
  /** Steps at a corner as it goes together again. */
  readonly rebuild: readonly Step[];
  /** Steps of a hydraulic system that was opened. */
  readonly hydraulics: readonly Step[];
  /** Groups of what is looked at; one that does not apply at a corner asks for nothing there. */
  readonly groups: readonly {
    readonly code: string;
    readonly name: string;
    readonly when?: When | undefined;
  }[];
  readonly items: readonly LookItem[];
  readonly figures: readonly FigureItem[];
  readonly rules: readonly HouseRule[];
  readonly parts: readonly PartKind[];
  readonly retractions: readonly Retraction[];
  readonly ladders: readonly Ladder[];
  readonly contacts: readonly Contact[];
}
