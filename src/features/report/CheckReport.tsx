import { Table } from 'react-bootstrap';
import {
  assessRunout,
  dtvLimit,
  isThicknessJudged,
  machineToSource,
  readingNotes,
  runoutLimit,
  sayAdvice,
  sayBenchCut,
  saySeat,
  sayShares,
  SOURCE_NAME,
  type Advice,
  type CornerAssessment,
  type CornerRecord,
} from '@/core/assessment';
import { CORNER_NAME } from '@/core/readings';
import type { LengthRole, UnitSystem } from '@/core/units';
import { sayReason, type Verdict } from '@/core/verdict';
import { exaggerationOf } from '@/ui/rotor';
import { Figure } from '@/ui/verdict';
import { Caution, Plot, waveOf, type ReportHead as Head } from './JobReport';
import { ReportHead } from './ReportHead';
import { Cell } from './ReportTable';
import styles from './report.module.css';

interface Row {
  readonly name: string;
  readonly verdict: Verdict | null | undefined;
  /** What was measured, where there is no limit to hold it against. */
  readonly figure?: number | undefined;
  readonly role: LengthRole;
  readonly limit: string;
}

interface CheckReportProps {
  readonly head: Head;
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly advice: Advice;
  readonly units: UnitSystem;
}

/** Every figure of a check, a mounting a line, in the order in which they were read. */
function rowsOf({ record, assessment }: CheckReportProps): Row[] {
  const { limits } = record;
  const runouts = record.sets.flatMap((set) => (set.kind === 'runout' ? [set] : []));
  return [
    ...runouts.map((set) => ({
      name: `Lateral runout, ${saySeat(record, set.shift)}`,
      verdict: assessRunout(set, record.studs, limits).verdict,
      role: 'deviation' as const,
      limit: SOURCE_NAME[runoutLimit(limits).source],
    })),
    ...(isThicknessJudged(record)
      ? [
          {
            name: 'Thickness variation (DTV)',
            verdict: assessment.thickness?.dtvVerdict,
            role: 'deviation' as const,
            limit: SOURCE_NAME[dtvLimit(limits).source],
          },
          {
            name: 'Thinnest place',
            verdict: assessment.thicknessVerdicts?.verdicts.discard,
            figure: assessment.thickness?.min,
            role: 'size' as const,
            limit: limits.discard
              ? `discard, ${SOURCE_NAME[limits.discard.source]}`
              : 'discard not known',
          },
        ]
      : []),
  ];
}

/** A quick check on one page: what to do, the rotor as it was found and as it sits, every figure. */
export function CheckReport(props: CheckReportProps) {
  const { head, record, assessment, advice, units } = props;
  const words = sayAdvice(advice, { ...record, units });
  const shares = sayShares(assessment, units);
  const cut = sayBenchCut(assessment, units);
  const [found, now] = [waveOf(record, 'first'), waveOf(record, 'last')];
  const isMoved = record.sets.filter(({ kind }) => kind === 'runout').length > 1;
  const notes = readingNotes(record.sets);
  // Both at the scale of the one that swings further.
  const limit = runoutLimit(record.limits).value;
  const [first, last] = [found, now].map((wave) => exaggerationOf(wave?.values ?? [], limit));
  const scale = first!.half >= last!.half ? first! : last!;
  return (
    <article className={`zh-card ${styles.report}`}>
      <ReportHead title="Quick check" isCheck job={head.number} {...head} />
      <section className={`${styles.cornerReport} mb-3`}>
        <h2>
          <span className="zh-figure">{record.corner}</span> {CORNER_NAME[record.corner]}
        </h2>
        <p className="mb-1">
          <strong>{words.todo}</strong> {words.why}
        </p>
        {notes.length > 0 && (
          <p className="mb-1">
            On the readings: {notes.map((note) => sayReason(note, units)).join(' ')}
          </p>
        )}
        <div className={styles.reportBody}>
          <div className={styles.reportPair}>
            <Plot record={record} wave={found} scale={scale} title="As first marked" />
            {isMoved && <Plot record={record} wave={now} scale={scale} title="As it sits now" />}
          </div>
          <Table size="sm" className="align-middle mb-0">
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col">Read</th>
                <th scope="col">Limit</th>
              </tr>
            </thead>
            <tbody>
              {rowsOf(props).map(({ name, verdict, figure, role, limit: source }, i) => (
                <tr key={i}>
                  <th scope="row">{name}</th>
                  <td>
                    {verdict || figure === undefined ? (
                      <Cell verdict={verdict} role={role} units={units} />
                    ) : (
                      <Figure value={figure} role={role} units={units} />
                    )}
                  </td>
                  <td>
                    {verdict && <Figure value={verdict.limit} role={role} units={units} />}{' '}
                    <span className="zh-muted">{source}</span>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </div>
        {shares && <p className="mb-1">Of the runout: {shares}.</p>}
        {cut && (
          <p className="mb-1">
            A cut on the bench lathe, each side: {cut} (machine-to from{' '}
            {SOURCE_NAME[machineToSource(record.limits) ?? 'workshop']}).
          </p>
        )}
      </section>
      <Caution />
    </article>
  );
}
