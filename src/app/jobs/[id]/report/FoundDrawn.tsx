import { cornerParts, inspectionAt, type Job } from '@/core/job';
import { seenStates } from '@/core/corner';
import type { LookState } from '@/core/procedure';
import { CornerDrawing } from '@/ui/corner';
import styles from './found.module.css';

/**
 * What was found where, on the drawing of each corner: of those that were looked at, or of those alone
 * where something was wrong.
 */
export function FoundDrawn({
  job,
  only,
}: {
  readonly job: Job;
  readonly only: 'looked-at' | 'wrong';
}) {
  const isTold = ({ state }: { readonly state: LookState }): boolean =>
    only === 'wrong' ? state === 'wrong' : state !== 'not-looked';
  const told = job.corners
    .map((corner) => ({ corner, seen: inspectionAt(job, corner).seen }))
    .filter(({ seen }) => seen.some(isTold));
  if (told.length === 0) return null;
  return (
    <section className="zh-card my-3">
      <h2>What was found where</h2>
      <div className={styles.foundDrawn}>
        {told.map(({ corner, seen }) => {
          const parts = cornerParts(job, corner);
          return (
            <figure key={corner} className="mb-0">
              <figcaption>
                <span className="zh-figure">{corner}</span>
              </figcaption>
              <CornerDrawing
                {...{ corner, parts }}
                states={seenStates(parts, seen)}
                label="What was seen at the corner"
              />
            </figure>
          );
        })}
      </div>
    </section>
  );
}
