import Link from '@/ui/Link';
import lists from '@/ui/shell/lists.module.css';
import styles from './jobs.module.css';

export interface JobListLine {
  readonly id: string;
  readonly number: number;
  readonly plate: string;
  readonly name: string;
  readonly complaint: string;
  readonly corners: readonly string[];
  /** The one next thing, in a sentence, and where it is done. */
  readonly next: { readonly say: string; readonly href: string };
  /** What it waits for. */
  readonly waits?: readonly string[];
  readonly since: string;
}

/** Jobs a line each: what it is, what it waits for, and the one next thing. */
export function JobList({ lines }: { lines: readonly JobListLine[] }) {
  return (
    <ul className={`${lists.list} zh-card p-0`}>
      {lines.map((line) => (
        <li key={line.id}>
          <Link className={lists.job} href={line.next.href}>
            <span className={lists.jobPlate}>{line.plate}</span>
            <span className={styles.jobText}>
              <span className="zh-muted">
                {line.name} · job {line.number} · {line.since}
              </span>
              <span className={styles.clamp}>{line.complaint}</span>
              <strong className="d-block">{line.next.say}</strong>
            </span>
            <span className="text-end">
              <span className="zh-figure">{line.corners.join(' ')}</span>
              {line.waits?.map((wait) => (
                <span key={wait} className="zh-muted d-block">
                  {wait}
                </span>
              ))}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
