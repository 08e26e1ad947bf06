import { Button } from 'react-bootstrap';
import Link from '@/ui/Link';
import type { VerdictChange } from '@/core/job';

/** The verdicts of open jobs that other figures change, before they are written. */
export function VerdictChanges({
  changes,
  isBusy,
  onSave,
  onBack,
}: {
  readonly changes: readonly VerdictChange[];
  readonly isBusy: boolean;
  readonly onSave: () => void;
  readonly onBack: () => void;
}) {
  return (
    <section className="zh-card mb-3" role="alert" aria-labelledby="changes">
      <h2 id="changes">These figures change open verdicts</h2>
      <ul>
        {changes.map(({ jobId, number, corner, what, was, becomes }) => (
          <li key={`${jobId} ${corner} ${what}`}>
            <Link href={`/jobs/${jobId}/decide`}>
              Job {number}, <span className="zh-figure">{corner}</span>
            </Link>{' '}
            {what}: {was} → <strong>{becomes}</strong>
          </li>
        ))}
      </ul>
      <p>
        Jobs that are signed off keep the figures and verdicts that they were signed with. What was
        decided already stays on record: look at it again.
      </p>
      <div className="d-flex flex-wrap gap-2">
        <Button type="button" variant="primary" disabled={isBusy} onClick={onSave}>
          Save with these changes
        </Button>
        <Button type="button" variant="outline-secondary" onClick={onBack}>
          Back to the figures
        </Button>
      </div>
    </section>
  );
}
