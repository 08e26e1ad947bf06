import { wheelFiguresSay, type Job } from '@/core/job';
import type { WheelItem } from '@/core/wheels';
import type { CheckView } from '@/features/strip/model';
import { WheelFigures } from '@/features/strip/WheelFigures';
import { shopUnits } from '@/server/shop/settings';

interface WheelsCardProps {
  readonly job: Job;
  readonly checks: readonly CheckView[];
  readonly items: readonly WheelItem[];
}

/** What is measured at the wheels beside the rotor: folded, with how many figures there are. */
export async function WheelsCard({ job, checks, items }: WheelsCardProps) {
  const codes = items.map(({ code }) => code as string);
  const own = checks.filter(({ kind, item }) => kind === 'figure' && codes.includes(item));
  const says = wheelFiguresSay(job).map(
    ({ item, corner, why }) => [`${item.code} ${corner ?? ''}`, why] as const,
  );
  return (
    <details id="wheels" className="zh-card mb-3">
      <summary className="zh-fold">
        <h2 className="mb-0">Measured beside the rotor</h2>
        {own.length > 0 && (
          <span className="zh-muted ms-2">
            {own.length} {own.length === 1 ? 'entry' : 'entries'}
          </span>
        )}
      </summary>
      <p className="zh-muted">Each weighs in the nose by how far it is from what it should be.</p>
      <WheelFigures
        jobId={job.id}
        items={items}
        checks={own}
        isInches={(await shopUnits()) === 'thou'}
        says={Object.fromEntries(says)}
        isClosed={job.closedAt !== null}
      />
    </details>
  );
}
