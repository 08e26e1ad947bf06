import type { MachiningInput } from '../machining';
import type { ExtraReading } from '../thickness';
import type { Corner, Fastening, Gauge, Laps } from '../readings';
import type { Degrees, Micrometres } from '../units';
import { WORKSHOP_DEFAULTS, type Reason } from '../verdict';
import type { Face, SlowTurn } from '../runout';

/** Where a limit comes from; a verdict always names it. */
export const LIMIT_SOURCES = ['maker', 'stamped', 'workshop', 'other'] as const;
export type LimitSource = (typeof LIMIT_SOURCES)[number];

export const SOURCE_NAME: Readonly<Record<LimitSource, string>> = {
  maker: 'maker\u2019s service information',
  stamped: 'stamped on the part',
  workshop: 'workshop default',
  other: 'other source',
};

export interface SourcedLimit {
  readonly value: Micrometres;
  readonly source: LimitSource;
}

/** The figures of one axle; what is not known is left out, never zero. */
export interface AxleLimits {
  readonly nominal?: SourcedLimit | undefined;
  readonly machineTo?: SourcedLimit | undefined;
  readonly discard?: SourcedLimit | undefined;
  readonly runout?: SourcedLimit | undefined;
  readonly dtv?: SourcedLimit | undefined;
  /** Radius of the circle on which the rotor is read. */
  readonly radius?: SourcedLimit | undefined;
}

/** What is common to every set that counts: complete laps only, in micrometres. */
interface SetBase {
  readonly laps: Laps;
  readonly gauge: Gauge;
  /** Index shift of the mounting it was taken in, stud spacings in the theta sense. */
  readonly shift: number;
  /** Angles of the positions; evenly spaced from 0° when left out. */
  readonly angles?: readonly Degrees[] | undefined;
  /** What its circumstances say about its quality. */
  readonly quality?: readonly Reason[] | undefined;
}

export interface RunoutSet extends SetBase {
  readonly kind: 'runout';
  readonly face: Face;
  readonly closing?: readonly Micrometres[] | undefined;
  readonly endPlay?: Micrometres | undefined;
  /** The wheel was pressed inboard at each reading. */
  readonly pressed?: boolean | undefined;
  /** Slow turns taken after the places, as the dial of that face shows them. */
  readonly turns?: readonly SlowTurn[] | undefined;
  /** Its laps are sweeps, made of so many readings in all. */
  readonly sweep?: { readonly readings: number } | undefined;
  /** Somebody has confirmed that it sits where it is said to. */
  readonly isSeatSaid?: boolean | undefined;
}

export interface ThicknessSet extends SetBase {
  readonly kind: 'thickness';
  readonly circle?: 'outer' | 'inner' | undefined;
  readonly zeroError?: Micrometres | undefined;
  readonly temperature?: number | undefined;
  /** Single readings of the outer circle beyond the laps. */
  readonly extra?: readonly ExtraReading[] | undefined;
  /** Read until it is settled: thickness variation is judged so. */
  readonly settle?: boolean | undefined;
}

/** Runout of the hub face itself, rotor off, read on its own circle. */
export interface HubSet extends SetBase {
  readonly kind: 'hub';
  readonly closing?: readonly Micrometres[] | undefined;
  /** Its laps are sweeps, made of so many readings in all. */
  readonly sweep?: { readonly readings: number } | undefined;
  readonly endPlay?: Micrometres | undefined;
  readonly radius: Micrometres;
}

export type MeasuredSet = RunoutSet | ThicknessSet | HubSet;

/** Something that findings or house rules rule out, with the reason. */
export interface RuledOut {
  readonly what: 'machining' | 'rotor';
  readonly why: string;
}

/** Scores of a rotor and what its lathes leave, in micrometres. */
export type CutFigures = Pick<
  MachiningInput,
  'scoreOutboard' | 'scoreInboard' | 'cleanUp' | 'maxRoughing' | 'finishing'
> & {
  readonly arborError?: Micrometres | undefined;
  readonly residual?: Micrometres | undefined;
};

/** One corner of one job as the solvers need it; sets in the order they were taken. */
export interface CornerRecord {
  readonly corner: Corner;
  readonly fastening: Fastening;
  readonly studs: number;
  /** Shifts the rotor's screw or pin allows; all when null. */
  readonly allowedShifts: readonly number[] | null;
  readonly limits: AxleLimits;
  readonly sets: readonly MeasuredSet[];
  readonly ruledOut?: readonly RuledOut[] | undefined;
  /** Both sides are cut equally deep, by house rule. */
  readonly equalCuts?: boolean | undefined;
  /** In one piece with the hub, riveted to it, or carrying its bearings: never a plate, never moved. */
  readonly isCaptive?: boolean | undefined;
  /** Carbon-ceramic: judged by mass and wear marks, not by thickness. */
  readonly isComposite?: boolean | undefined;
  /** What a cut has to reckon with; workshop defaults where left out. */
  readonly cut?: CutFigures | undefined;
  /** Runout as found, where it was beyond its limit before the seat was cleaned. */
  readonly foundBeyond?: Micrometres | undefined;
  /**
   * What a correction is proven against: the figures before it, where they were beyond their limits.
   * Left out where nothing was corrected.
   */
  readonly proves?:
    | { readonly runout: Micrometres | null; readonly variation: Micrometres | null }
    | undefined;
  /** Of a quick check: its discard thickness may stay unknown, and nothing is said about it then. */
  readonly isCheck?: boolean | undefined;
  /** Runout alone is asked for, as where only its source is looked for. */
  readonly isRunoutAsked?: boolean | undefined;
  /** Where the rotor sits now, as an index shift; the seat of the latest runout where left out. */
  readonly seat?: number | undefined;
}

const workshop = (value: Micrometres): SourcedLimit => ({ value, source: 'workshop' });

/** The runout limit in force: the axle's own, else the workshop default. Source: handbook 19. */
export const runoutLimit = (limits: AxleLimits): SourcedLimit =>
  limits.runout ?? workshop(WORKSHOP_DEFAULTS.runout);

/** The thickness variation limit in force. Source: handbook 19. */
export const dtvLimit = (limits: AxleLimits): SourcedLimit =>
  limits.dtv ?? workshop(WORKSHOP_DEFAULTS.thicknessVariation);

/** The hub-face limit on a circle: the workshop default scaled from its own radius. Source: handbook 19. */
export const hubFaceLimit = (radius: Micrometres): Micrometres =>
  (WORKSHOP_DEFAULTS.hubFaceRunout * radius) / WORKSHOP_DEFAULTS.hubFaceRadius;

/** Machine-to as given, or what it is derived from. */
export const machineToSource = (limits: AxleLimits): LimitSource | null =>
  limits.machineTo?.source ?? (limits.discard ? 'workshop' : null);

/** Why the thickness of a composite rotor stands nowhere. Source: handbook 14 (kinds of brake). */
export const COMPOSITE_WEAR =
  'A composite rotor is judged by its mass and its wear marks, as its maker says, not by thickness.';

/** Whether a corner is judged by thickness: not where its rotor is composite and nobody read any. */
export const isThicknessJudged = ({
  isComposite,
  sets,
}: Pick<CornerRecord, 'isComposite' | 'sets'>): boolean =>
  !isComposite || sets.some(({ kind }) => kind === 'thickness');
