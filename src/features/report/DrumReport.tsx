import type { BeforeAfter, CornerInspection } from '@/core/job';
import { CORNER_NAME, type Corner } from '@/core/readings';
import type { UnitSystem } from '@/core/units';
import { InspectionLines } from './InspectionReport';
import { ReportTable } from './ReportTable';
import styles from './report.module.css';

export interface ReportDrum {
  readonly corner: Corner;
  /** What was decided, in words, and whether it is done; null where nothing is on record. */
  readonly decided: { readonly say: string; readonly isDone: boolean } | null;
  readonly advice: string;
  readonly rows: readonly BeforeAfter[];
  /** Where its limits come from: of size, of roundness. */
  readonly sources: readonly [string, string];
  readonly inspection: CornerInspection;
}

/** One corner with a drum: what was done, what was seen, its figures before and after. */
export function DrumReport({ drum, units }: { drum: ReportDrum; units: UnitSystem }) {
  const { corner, decided, advice, rows, sources, inspection } = drum;
  return (
    <section className={`${styles.cornerReport} mb-3`}>
      <h2>
        <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}, drum
      </h2>
      <p className="mb-1">
        {decided ? (
          <>
            {decided.isDone ? 'Done' : 'Decided, not ticked as done'}:{' '}
            <strong>{decided.say}</strong>
          </>
        ) : (
          <>
            Nothing is on record as done. Advice now: <strong>{advice}</strong>
          </>
        )}
      </p>
      <InspectionLines inspection={inspection} />
      <ReportTable
        label="Drum, before and after"
        units={units}
        rows={rows.map((row, i) => ({
          ...row,
          source: (row.before ?? row.after) === null ? 'not known' : (sources[i] ?? null),
        }))}
      />
    </section>
  );
}
