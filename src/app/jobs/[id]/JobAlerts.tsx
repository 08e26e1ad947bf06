import { type Job, offTheRoad, readinessOf, waits } from '@/core/job';
import { sayTime } from '@/ui/sayTime';

/** What keeps the vehicle where it is, on every page of the job and on paper. */
export function JobAlerts({ job }: { job: Job }) {
  const worn = readinessOf(job).corners.flatMap(({ belowDiscard }) => belowDiscard ?? []);
  const off = [...offTheRoad(job).map((each) => `${each}.`), ...worn];
  return (
    <>
      {waits(job).map((waiting) => (
        <div key={waiting.stamp} className="zh-stop mb-2" role="alert">
          <strong>Blocked from moving: waits for parts.</strong> {waiting.missing}. Off the vehicle:{' '}
          {waiting.off}. Tagged: {waiting.tagged}.{' '}
          <span className="zh-muted">
            {waiting.by} {sayTime(waiting.at)}
          </span>
        </div>
      ))}
      {off.length > 0 && (
        <div className="zh-stop mb-2" role="alert">
          <strong>The vehicle stays off the road.</strong> {off.join(' ')}
        </div>
      )}
    </>
  );
}
