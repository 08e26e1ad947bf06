import { Table } from 'react-bootstrap';
import { exaggerationOf, RotorFace } from '@/ui/rotor';
import { OUTCOME_RING, RingMark } from '@/ui/verdict';
import { ReportHead } from './ReportHead';
import { Warnings } from './Warnings';
import type { OwnerPlot, OwnerReport, PlotWave } from '@/server/report/owner';
import styles from './report.module.css';

function Plot({ plot, wave, title }: { plot: OwnerPlot; wave: PlotWave | null; title: string }) {
  const { corner, studs, fastening, limit, scale, name } = plot;
  return (
    <figure className="text-center mb-0">
      <figcaption>
        <span className="zh-figure">{corner}</span> {title}
      </figcaption>
      {wave ? (
        <RotorFace
          corner={corner}
          studs={studs}
          fastening={fastening}
          values={wave.values}
          angles={wave.angles}
          limit={limit}
          isPlain
          scale={{ ...scale, middle: exaggerationOf(wave.values, limit).middle }}
          label={`Read round the ${name} disc ${title}`}
        />
      ) : (
        <p className="zh-muted">Not measured.</p>
      )}
    </figure>
  );
}

const Lines = ({ title, lines }: { title: string; lines: readonly string[] }) => (
  <section>
    <h2>{title}</h2>
    <ul>
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  </section>
);

/** What was read round each disc before the work; nothing where nothing was. */
export const OwnerPlots = ({ plots }: { readonly plots: readonly OwnerPlot[] }) =>
  plots.length === 0 ? null : (
    <div className={styles.ownerPlots}>
      {plots.map((plot) => (
        <Plot key={plot.corner} plot={plot} wave={plot.before} title="as it was read" />
      ))}
    </div>
  );

/** What the owner of the vehicle is told: one page, in plain words. */
export function OwnerPage({ report }: { readonly report: OwnerReport }) {
  const { head, verdict, figures, plots } = report;
  return (
    <article className={`zh-card ${styles.report} ${styles.owner}`}>
      <ReportHead title="Brake report" {...head} />
      <Warnings {...report} />
      {head.complaint !== '' && (
        <p>
          You told us: <em>{head.complaint}</em>
        </p>
      )}
      {verdict && (
        <p className={styles.ownerVerdict}>
          <RingMark state={OUTCOME_RING[verdict.state]} word={verdict.say} size={28} />
        </p>
      )}
      <Lines title="What we found" lines={report.found} />
      {report.agreed.length > 0 && <Lines title="What was agreed" lines={report.agreed} />}
      <Lines
        title="What we did"
        lines={report.done.length > 0 ? report.done : ['Nothing was changed.']}
      />
      <section>
        <h2>Before and after</h2>
        {figures.length > 0 && (
          <Table size="sm" className="mb-2">
            <thead>
              <tr>
                {['Wheel', 'What', 'Before', 'After', 'Allowed'].map((title) => (
                  <th key={title} scope="col">
                    {title}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {figures.map(({ corner, what, before, after, limit }) => (
                <tr key={`${corner} ${what}`}>
                  <th scope="row" className="zh-figure">
                    {corner}
                  </th>
                  <td>{what}</td>
                  <td className="zh-figure">{before}</td>
                  <td className="zh-figure">{after}</td>
                  <td className="zh-figure">{limit}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        )}
        <div className={styles.ownerPlots}>
          {plots.flatMap((plot) => [
            <Plot
              key={`${plot.corner} before`}
              plot={plot}
              wave={plot.before}
              title="before the work"
            />,
            <Plot key={`${plot.corner} after`} plot={plot} wave={plot.after} title="after it" />,
          ])}
        </div>
        {plots.length > 0 && (
          <p className="zh-muted mb-1">
            The line is what was read round the disc, drawn much larger than it is, both at one
            scale; the shaded band is what is allowed.
          </p>
        )}
      </section>
      <Lines title="What is due" lines={report.due.length > 0 ? report.due : ['Nothing is set.']} />
      <Lines title="Please mind" lines={report.cautions} />
      {report.rules.length > 0 && (
        <p className={`zh-muted ${styles.ownerRules} mb-1`}>
          How we work: {report.rules.join(' ')}
        </p>
      )}
      <p className="zh-muted mb-0">
        {report.signed ? `Signed off by ${report.signed}.` : 'Not signed off yet.'} The maker’s
        service information, local rules and a licensed technician’s judgement come first.
      </p>
    </article>
  );
}
