import Link from '@/ui/Link';
import type { DueLine } from '@/server/records/due';
import { RingMark } from '@/ui/verdict';
import lists from '@/ui/shell/lists.module.css';

const STATE = {
  overdue: { ring: 'beyond', word: 'Overdue' },
  soon: { ring: 'too-close', word: 'Soon' },
  later: { ring: 'within', word: 'Later' },
} as const;

/** What is to be looked at again, overdue first. */
export function DueList({ lines }: { readonly lines: readonly DueLine[] }) {
  if (lines.length === 0) {
    return (
      <div className="zh-card" role="status">
        <p className="mb-0">Nothing is due. Rechecks are set on the Prove page of a job.</p>
      </div>
    );
  }
  return (
    <ul className={lists.list}>
      {lines.map(({ id, jobId, number, vehicleId, plate, owner, say, state }) => (
        <li key={id} className={lists.found}>
          <RingMark state={STATE[state].ring} word={STATE[state].word} size={20} />
          <span>
            <Link className="zh-figure zh-link" href={`/vehicles/${vehicleId}`}>
              {plate}
            </Link>{' '}
            {say}
            {owner && <span className="zh-muted"> · {owner}</span>}
          </span>
          <Link className="zh-link" href={`/jobs/${jobId}/prove`}>
            Job {number}
          </Link>
        </li>
      ))}
    </ul>
  );
}
