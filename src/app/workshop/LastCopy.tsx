import { ago } from '@/core/calendar';
import { environment } from '@/server/environment';
import { lastCopy } from '@/server/records/backup';

/** How old the newest copy is, whether it was checked, and what would be lost with the records now. */
export async function LastCopy() {
  if (environment().url) return null;
  const last = await lastCopy();
  if (!last)
    return <p className="zh-error">There is no copy yet: nothing would bring the records back.</p>;
  const { made, isChecked, isElsewhere, isOfAnotherKey, since } = last;
  return (
    <p>
      <strong>
        Last copy {ago(made)}
        {isChecked && ', checked'}.
      </strong>{' '}
      {since !== null &&
        (since === 0
          ? 'Nothing was written since. '
          : `${since.toLocaleString('en')} ${since === 1 ? 'entry was' : 'entries were'} made since. `)}
      {isElsewhere === true && 'It is in the second folder too.'}
      {isOfAnotherKey && (
        <span className="zh-error">
          The key of this shop (shop.key, beside its records) is another one since: this copy and
          archives from before count as another shop’s. Bring the old key back, or make a copy
          now.{' '}
        </span>
      )}
      {isElsewhere === false && (
        <span className="zh-error">
          It is not in the second folder: look whether its disk is there.
        </span>
      )}
    </p>
  );
}
