import type { Corner, Fastening } from '@/core/readings';
import { exaggerationOf, type Exaggeration } from '@/core/drawing';

export interface RotorMove {
  readonly from: number;
  /** Signed stud spacings in the theta sense, the shorter way. */
  readonly studs: number;
}

/** A place between the others: read, to be read next, or being read. */
export interface RotorMark {
  /** Degrees from the chalk mark in the theta sense. */
  readonly angle: number;
  /** Micrometres; null where it was not read yet. */
  readonly value: number | null;
  readonly state: 'read' | 'next' | 'active';
}

export interface RotorFaceProps {
  readonly corner: Corner;
  readonly studs: number;
  readonly fastening: Fastening;
  /** Readings in micrometres by position, null where not read yet. */
  readonly values: readonly (number | null)[];
  /** Limit in micrometres, drawn as a band round the middle. */
  readonly limit: number;
  /** Names what is drawn, for those who do not see it. */
  readonly label: string;
  readonly active?: number | null;
  readonly suspects?: readonly number[];
  /** A scale shared with another drawing beside this one. */
  readonly scale?: Exaggeration;
  /** Where the rotor's own mark stands, in stud spacings. */
  readonly shift?: number;
  readonly move?: RotorMove | null;
  /** Stud at which a tapered plate is thickest. */
  readonly plateAt?: number | null;
  readonly onPick?: (position: number) => void;
  /** Angles of the values in degrees; evenly spaced when left out. */
  readonly angles?: readonly number[] | null | undefined;
  readonly marks?: readonly RotorMark[];
  /** The wheel is turned slowly, and stopped at its highest or lowest place. */
  readonly turning?: 'high' | 'low' | null;
  /** Swept: a curve without places, drawn as far as the wheel has turned. */
  readonly isSwept?: boolean;
  /** Without the positions: a small drawing of a shape. */
  readonly isPlain?: boolean;
}

/** Angle in degrees of one of evenly spaced places. */
export const angleOf = (position: number, count: number): number => (360 * position) / count;

/** Angle in degrees of a position, evenly spaced where its angle was not typed. */
export const placeAngle = (
  { values, angles }: Pick<RotorFaceProps, 'values' | 'angles'>,
  position: number,
): number => angles?.[position] ?? angleOf(position, values.length);

/** How a rotor's figures are drawn: those that are read, and those between the places, fill the swing with the limit. */
export const scaleOf = ({ values, marks = [], limit, scale }: RotorFaceProps): Exaggeration =>
  scale ??
  exaggerationOf(
    [...values, ...marks.map(({ value }) => value)].filter((value) => value !== null),
    limit,
  );
