import type { ReactNode } from 'react';
import {
  averagedForDrawing,
  COMPOSITE_WEAR,
  dtvLimit,
  isThicknessJudged,
  readingNotes,
  runoutLimit,
  SOURCE_NAME,
  type CornerAssessment,
  type CornerRecord,
} from '@/core/assessment';
import { CORNER_NAME } from '@/core/readings';
import type { UnitSystem } from '@/core/units';
import { sayReason } from '@/core/verdict';
import { exaggerationOf, RotorFace, type Exaggeration } from '@/ui/rotor';
import type { CornerInspection, JobProcedure } from '@/core/job';
import { ReportHead } from './ReportHead';
import { ReportTable } from './ReportTable';
import { SourceLines, type ReportSource } from './SourceLines';
import { InspectionLines, ProcedureLines } from './InspectionReport';
import styles from './report.module.css';

/** One corner before and, when it was measured again, after its correction. */
export interface ReportCorner {
  readonly before: { readonly record: CornerRecord; readonly assessment: CornerAssessment };
  readonly after: { readonly record: CornerRecord; readonly assessment: CornerAssessment } | null;
  /** What was done, or what is advised when nothing is on record. */
  readonly done: string | null;
  /** What is advised while nothing is; null where the source lies beside a rotor that nobody read. */
  readonly advice: string | null;
  /** What was done before and did not cure it, in words. */
  readonly earlier: readonly string[];
  readonly inspection: CornerInspection;
  /** What cleaning the seat changed, in a sentence, or null. */
  readonly cleaning: string | null;
}

export interface ReportHead {
  readonly number: number;
  readonly date: string;
  readonly plate: string;
  readonly vehicle: string;
  readonly odometer: string | null;
  readonly complaint: string;
  /** The number of the job that this is a comeback of. */
  readonly comebackOf?: number | null;
}

/** The first runout wave of a phase: how it was found, or the latest: how it ends. */
export function waveOf(record: CornerRecord, which: 'first' | 'last'): Wave | null {
  const runouts = record.sets.filter((set) => set.kind === 'runout');
  const set = which === 'first' ? runouts[0] : runouts.at(-1);
  return set ? { values: averagedForDrawing(set), angles: set.angles, shift: set.shift } : null;
}

/** Lap averages with the angles that they were read at, evenly spaced without, and the seat. */
interface Wave {
  readonly values: readonly number[];
  readonly angles: readonly number[] | undefined;
  /** Where the rotor sat. */
  readonly shift: number;
}

export function Plot({
  record,
  wave,
  scale,
  title,
}: {
  record: CornerRecord;
  wave: Wave | null;
  scale: Exaggeration;
  title: string;
}) {
  return (
    <figure className="text-center mb-0">
      <figcaption className="fw-bold">{title}</figcaption>
      {wave ? (
        <RotorFace
          corner={record.corner}
          studs={record.studs}
          fastening={record.fastening}
          {...wave}
          limit={runoutLimit(record.limits).value}
          scale={{ ...scale, middle: (Math.min(...wave.values) + Math.max(...wave.values)) / 2 }}
          label={`Runout ${title.toLowerCase()}, ${CORNER_NAME[record.corner]}`}
        />
      ) : (
        <p className="zh-muted">{title === 'Before' ? 'Not measured.' : 'Not measured again.'}</p>
      )}
    </figure>
  );
}

function CornerReport({ corner, units }: { corner: ReportCorner; units: UnitSystem }) {
  const { before, after } = corner;
  const { record } = before;
  const { limits } = record;
  const notes = readingNotes([...record.sets, ...(after?.record.sets ?? [])]);
  const found = waveOf(record, 'first');
  const ends = after ? waveOf(after.record, 'last') : null;
  const scale = exaggerationOf((found ?? ends)?.values ?? [], runoutLimit(limits).value);
  const lastScale = exaggerationOf(ends?.values ?? [], runoutLimit(limits).value);
  const shared = scale.half >= lastScale.half ? scale : lastScale;
  return (
    <section className={`${styles.cornerReport} mb-3`}>
      <h2>
        <span className="zh-figure">{record.corner}</span> {CORNER_NAME[record.corner]}
      </h2>
      <p className="mb-1">
        {corner.done ? (
          <>
            Done: <strong>{corner.done}</strong>
          </>
        ) : (
          <>
            Nothing is on record as done
            {corner.advice === null ? ' to this rotor.' : '. Advice now: '}
            <strong>{corner.advice}</strong>
          </>
        )}
      </p>
      {corner.earlier.map((words) => (
        <p key={words} className="mb-1">
          Tried before: {words}
        </p>
      ))}
      {!isThicknessJudged(record) && <p className="mb-1">{COMPOSITE_WEAR}</p>}
      <InspectionLines inspection={corner.inspection} />
      {corner.cleaning && <p className="mb-1">{corner.cleaning}</p>}
      {notes.length > 0 && (
        <p className="mb-1">
          On the readings: {notes.map((note) => sayReason(note, units)).join(' ')}
        </p>
      )}
      <div className={styles.reportBody}>
        <div className={styles.reportPair}>
          <Plot record={record} wave={found} scale={shared} title="Before" />
          <Plot record={record} wave={ends} scale={shared} title="After" />
        </div>
        <ReportTable
          label="Before and after"
          units={units}
          rows={[
            {
              name: 'Lateral runout',
              before: before.assessment.firstRunout?.verdict,
              after: after?.assessment.runout?.verdict,
              source: SOURCE_NAME[runoutLimit(limits).source],
              role: 'deviation' as const,
            },
            ...(isThicknessJudged(record)
              ? [
                  {
                    name: 'Thickness variation (DTV)',
                    before: before.assessment.thickness?.dtvVerdict,
                    after: after?.assessment.thickness?.dtvVerdict,
                    source: SOURCE_NAME[dtvLimit(limits).source],
                    role: 'deviation' as const,
                  },
                  {
                    name: 'Thinnest place',
                    before: before.assessment.thicknessVerdicts?.verdicts.discard,
                    after: after?.assessment.thicknessVerdicts?.verdicts.discard,
                    source: limits.discard
                      ? `discard, ${SOURCE_NAME[limits.discard.source]}`
                      : 'discard not known',
                    role: 'size' as const,
                  },
                ]
              : []),
          ]}
        />
      </div>
    </section>
  );
}

/** What stands under every page of measurements. */
export const Caution = () => (
  <p className="zh-muted mb-0">
    Verdicts keep a guard band of 95 %. Before the vehicle moves the pedal is pumped until firm.
    Below discard thickness, cracked, leaking or with a sinking pedal the vehicle stays off the
    road. The maker’s service information, local rules and a licensed technician’s judgement come
    first; this report does not replace them.
  </p>
);

/** The job on one page: complaint, figures before and after at one scale, what was done. */
export function JobReport({
  head,
  corners,
  drums = null,
  sources,
  agreed = [],
  procedure,
  units,
}: {
  head: ReportHead;
  corners: readonly ReportCorner[];
  /** What stands of the drums, where there are any. */
  drums?: ReactNode;
  sources: readonly ReportSource[];
  /** What the owner agreed to, against what was decided. */
  agreed?: readonly string[];
  procedure: JobProcedure;
  units: UnitSystem;
}) {
  return (
    <article className={`zh-card ${styles.report}`}>
      <ReportHead title="Brake measurement report" job={head.number} {...head} />
      <p>
        Complaint: <em>{head.complaint || 'not written down'}</em>
        {typeof head.comebackOf === 'number' && <> Comeback of job {head.comebackOf}.</>}
      </p>
      {agreed.length > 0 && <p>{agreed.join(' ')}</p>}
      <SourceLines sources={sources} />
      {corners.map((corner) => (
        <CornerReport key={corner.before.record.corner} corner={corner} units={units} />
      ))}
      {drums}
      <ProcedureLines procedure={procedure} />
      <Caution />
    </article>
  );
}
