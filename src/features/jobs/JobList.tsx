import Link from 'next/link';

export interface JobListLine {
  readonly id: string;
  readonly number: number;
  readonly plate: string;
  readonly name: string;
  readonly complaint: string;
  readonly corners: readonly string[];
  /** How far the job is, in a few words. */
  readonly state: string;
  readonly since: string;
}

/** Open jobs, newest first. */
export function JobList({
  lines,
  base = '/jobs',
}: {
  lines: readonly JobListLine[];
  base?: string;
}) {
  return (
    <ul className="zh-list zh-card p-0">
      {lines.map((line) => (
        <li key={line.id}>
          <Link className="zh-job" href={`${base}/${line.id}`}>
            <span className="zh-job-plate">{line.plate}</span>
            <span className="zh-job-text">
              <span className="zh-muted">
                {line.name} · job {line.number} · {line.since}
              </span>
              <span className="zh-clamp">{line.complaint}</span>
            </span>
            <span className="text-end">
              <span className="zh-figure">{line.corners.join(' ')}</span>
              <br />
              <span className="zh-muted">{line.state}</span>
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
