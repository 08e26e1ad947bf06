import { Table } from 'react-bootstrap';
import { Warnings } from './Warnings';
import type { FileLine, FileReport as Report, FileSet } from '@/server/report/file';
import styles from './report.module.css';

function SetTable({ set, at }: { set: FileSet; at: number }) {
  return (
    <section className="mb-3">
      <h3>{set.title}</h3>
      {set.about.map((line) => (
        <p key={line} className="mb-0 zh-muted">
          {line}
        </p>
      ))}
      <div
        className="table-responsive"
        tabIndex={0}
        role="region"
        aria-label={`Set ${at}: ${set.title}`}
      >
        <Table size="sm" className="mb-0">
          <thead>
            <tr>
              <th scope="col">Position</th>
              <th scope="col">Angle</th>
              {set.laps.map((_, lap) => (
                <th key={lap} scope="col">
                  Lap {lap + 1}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {set.rows.map(({ place, angle }, row) => (
              <tr key={place}>
                <th scope="row" className="zh-figure">
                  {place}
                </th>
                <td>{angle}</td>
                {set.laps.map((lap, i) => (
                  <td key={i} className="zh-figure">
                    {lap[row]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
      {set.beyond.length > 0 && <p className="mb-0">Also read: {set.beyond.join('; ')}.</p>}
    </section>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly FileLine[] }) {
  return (
    <section className="mb-3">
      <h2>{title}</h2>
      {lines.length === 0 && <p className="zh-muted">Nothing.</p>}
      <ul className="list-unstyled">
        {lines.map(({ at, by, say }, i) => (
          <li key={i}>
            <span className="zh-figure">{at}</span> {by && <strong>{by}</strong>} {say}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Every reading, its quality and uncertainty, every decision and who did what. */
export function FileReport({ report }: { readonly report: Report }) {
  return (
    <article className={`zh-card ${styles.report}`}>
      <h1>File report: {report.title}</h1>
      <Warnings {...report} />
      <h2>Readings</h2>
      {report.sets.length === 0 && <p className="zh-muted">Nothing was read.</p>}
      {report.sets.map((set, i) => (
        <SetTable key={set.id} set={set} at={i + 1} />
      ))}
      <Lines title="Decided" lines={report.decisions} />
      {report.causes.length > 0 && <p>Confirmed cause: {report.causes.join('; ')}.</p>}
      <Lines title="Where the rotors sat" lines={report.seats} />
      <Lines title="Gone through, by whom and when" lines={report.steps} />
      <Lines title="Taken back or changed" lines={report.changed} />
      {report.due.length > 0 && <p>Due: {report.due.join('; ')}.</p>}
    </article>
  );
}
