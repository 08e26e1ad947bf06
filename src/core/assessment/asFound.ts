import type { RecordedFinding } from '../diagnosis';
import type { RunoutResult } from '../runout';
import type { CornerAssessment } from './assess';
import type { CornerRecord } from './record';
import type { Corner } from '../readings';
import { toRadians, type Micrometres } from '../units';
import type { SayLength } from '../verdict';

/** What cleaning the seat changed in a corner's runout. */
export interface Cleaning {
  readonly asFound: Micrometres;
  readonly cleaned: Micrometres;
  /** TIR of the order-1 part that went with the dirt, or came with the new seat. */
  readonly dirt: Micrometres;
  /** Whether most of it went, little changed, or neither is clear. */
  readonly change: 'less' | 'same' | 'unclear';
}

/** Cleaning took most of it where no more than this share is left. */
const MOST_WENT = 0.5;
/** Little changed where the seat’s part is no more than this share. */
const LITTLE = 0.25;

/** A corner's record of one phase, with what the solvers say of it. */
export interface AssessedCorner {
  readonly record: Pick<CornerRecord, 'sets'>;
  readonly assessment: Pick<CornerAssessment, 'firstRunout'>;
}

/** The index shift at which runout was first read; undefined where it was not. */
const mountingOf = ({ record }: AssessedCorner): number | undefined =>
  record.sets.find(({ kind }) => kind === 'runout')?.shift;

const phasor = ({ orders }: RunoutResult): { re: number; im: number } => {
  const first = orders.find(({ order }) => order === 1);
  const amplitude = first?.amplitude ?? 0;
  const angle = toRadians(first?.highSpotDeg ?? 0);
  return { re: amplitude * Math.cos(angle), im: amplitude * Math.sin(angle) };
};

/**
 * Compares runout as found with runout after the hub face was cleaned, both in one mounting.
 * Null where either is missing or not valid, or where the rotor was moved between them. The dirt’s part is the difference of the two
 * first-order phasors as TIR, in micrometres. Source: handbook 1, 4.
 */
export function compareCleaning(found: AssessedCorner, clean: AssessedCorner): Cleaning | null {
  const asFound = found.assessment.firstRunout;
  const cleaned = clean.assessment.firstRunout;
  if (mountingOf(found) !== mountingOf(clean)) return null;
  const before = asFound?.verdict;
  const after = cleaned?.verdict;
  if (!asFound || !cleaned || before?.state === 'not-valid' || after?.state === 'not-valid') {
    return null;
  }
  const values = [before?.value ?? asFound.tirFitted, after?.value ?? cleaned.tirFitted] as const;
  const [p, q] = [phasor(asFound), phasor(cleaned)];
  const dirt = 2 * Math.hypot(p.re - q.re, p.im - q.im);
  const doubt = (before?.guardBand ?? 0) + (after?.guardBand ?? 0);
  const isLess = values[1] <= MOST_WENT * values[0] && values[0] - values[1] > doubt;
  const isSame = dirt <= Math.max(LITTLE * values[0], doubt);
  const clear = isLess ? 'less' : 'same';
  return {
    asFound: values[0],
    cleaned: values[1],
    dirt,
    change: isLess || isSame ? clear : 'unclear',
  };
}

/** What a change of the runout by cleaning means. */
export const CLEANING_SAYS: Readonly<Record<Cleaning['change'], string>> = {
  less: 'Most of it went with the dirt: the seat was the source.',
  same: 'Cleaning changed little: the source is hub or rotor.',
  unclear: 'Part of it went: look at hub and rotor too.',
};

/** As found and cleaned in one sentence, lengths written by `say`. */
export const sayCleaning = (cleaning: Cleaning, say: SayLength): string =>
  `Runout as found ${say(cleaning.asFound)}, cleaned ${say(cleaning.cleaned)}. ${CLEANING_SAYS[cleaning.change]}`;

/** What the comparison tells the diagnosis, or null where neither is clear. */
export const cleaningFinding = (
  cleaning: Cleaning | null,
  corner: Corner,
): RecordedFinding | null =>
  cleaning && cleaning.change !== 'unclear'
    ? { code: 'cleaning', value: cleaning.change, corner }
    : null;
