import 'server-only';
import { averagedForDrawing, runoutLimit, type CornerRecord } from '../../core/assessment';
import { exaggerationOf, type Exaggeration } from '../../core/drawing';
import type { BeforeAfter, CornerJudgement } from '../../core/job';
import { CORNER_NAME, type Corner } from '../../core/readings';
import type { LengthRole } from '../../core/units';
import type { Verdict } from '../../core/verdict';

/** Writes a length in the owner’s words: a deviation, or a length of the role that is named. */
export type Say = (um: number) => string;
export type SayAs = (um: number, role: LengthRole) => string;

/** A wave of lap averages in µm with the angles they were read at; evenly spaced without. */
export interface PlotWave {
  readonly values: readonly number[];
  readonly angles: readonly number[] | undefined;
}

/** One corner drawn before and after at one scale. */
export interface OwnerPlot {
  readonly corner: Corner;
  readonly name: string;
  readonly studs: number;
  readonly fastening: CornerRecord['fastening'];
  readonly before: PlotWave | null;
  readonly after: PlotWave | null;
  readonly scale: Exaggeration;
  readonly limit: number;
}

/** A figure before and after in words, with its limit. */
export interface OwnerFigure {
  readonly corner: string;
  readonly what: string;
  readonly before: string;
  readonly after: string;
  readonly limit: string;
}

const figure = (verdict: Verdict | undefined, say: Say): string =>
  verdict?.value === undefined || verdict.value === null ? 'not measured' : say(verdict.value);

/** A corner as its runout was first read, before its correction, and after it. */
export interface Told {
  readonly first: CornerJudgement;
  readonly before: CornerJudgement;
  readonly after: CornerJudgement;
}

/** Runout and thickness variation of a corner, before and after. */
export function figuresOf({ first, before, after }: Told, say: Say): OwnerFigure[] {
  const row = (what: string, was: Verdict | undefined, is: Verdict | undefined): OwnerFigure[] =>
    was === undefined && is === undefined
      ? []
      : [
          {
            corner: before.corner,
            what,
            before: figure(was, say),
            after: figure(is, say),
            limit: say((is ?? was)?.limit ?? 0),
          },
        ];
  return [
    ...row(
      'Sideways movement',
      first.assessment.firstRunout?.verdict,
      after.assessment.runout?.verdict,
    ),
    ...row(
      'Thickness variation',
      before.assessment.thickness?.dtvVerdict,
      after.assessment.thickness?.dtvVerdict,
    ),
  ];
}

/** A figure of a drum, where it was read at all. */
export const drumFigure = (
  { corner, name, role, before, after }: BeforeAfter,
  sayAs: SayAs,
): OwnerFigure[] => {
  const known = before ?? after;
  if (!known) return [];
  const of = (verdict: Verdict | null): string =>
    figure(verdict ?? undefined, (um) => sayAs(um, role));
  return [
    { corner, what: name, before: of(before), after: of(after), limit: sayAs(known.limit, role) },
  ];
};

/** The first or the last runout wave of a record, or null. */
function waveOf({ record }: CornerJudgement, which: 'first' | 'last'): PlotWave | null {
  const runouts = record.sets.filter(({ kind }) => kind === 'runout');
  const set = which === 'first' ? runouts[0] : runouts.at(-1);
  return set ? { values: averagedForDrawing(set), angles: set.angles } : null;
}

/** A corner drawn before and after, at one scale; nothing where it was not read. */
export function plotOf({ first, before, after }: Told): OwnerPlot[] {
  const [was, is] = [waveOf(first, 'first'), waveOf(after, 'last')];
  if (!was && !is) return [];
  const limit = runoutLimit(before.record.limits).value;
  const scales = [was, is].map((wave) => exaggerationOf(wave?.values ?? [], limit));
  const half = Math.max(...scales.map((scale) => scale.half));
  const { corner, studs, fastening } = before.record;
  const name = CORNER_NAME[corner];
  return [
    { corner, name, studs, fastening, before: was, after: is, limit, scale: { middle: 0, half } },
  ];
}
