import { Button } from 'react-bootstrap';
import { percent, sayFound, signedDecibans, type WeighedCause } from '@/core/diagnosis';
import type { NoseView } from '@/server/nose/nose';
import { findingOf, sayPlace, sayPrior } from './model';
import { AsideForm } from './NoseForm';
import causesStyles from '@/ui/shell/causes.module.css';
import styles from './nose.module.css';

/** Causes that are shown; the rest are told by their number. */
const SHOWN = 4;
/** Terms weaker than this say nothing worth reading, in decibans. */
const WORTH_SAYING = 0.3;

interface CauseListProps {
  readonly jobId: string;
  readonly view: NoseView;
}

/** The terms of one cause: what each finding added and why. */
function Terms({ jobId, view, cause }: CauseListProps & { readonly cause: WeighedCause }) {
  const prior = view.priors.find(({ code }) => code === cause.code);
  const told = cause.terms.filter(({ decibans }) => Math.abs(decibans) >= WORTH_SAYING);
  return (
    <div className={causesStyles.terms}>
      <p className="mb-1">{cause.means}</p>
      <p className="zh-muted mb-1">{sayPrior(cause.prior, prior, view.confirmedJobs)}</p>
      {told.length > 0 && (
        <p className="zh-muted mb-1">In decibans: 10 makes the odds ten times as high.</p>
      )}
      <ul className="list-unstyled mb-0">
        {told.map((term) => (
          <li key={term.finding} className={term.counted ? undefined : 'zh-muted'}>
            <span className="zh-figure">{signedDecibans(term.decibans)}</span>{' '}
            <strong>{findingOf(view.knowledge, term.finding)?.title ?? term.finding}</strong>
            {term.corner && ` ${term.corner}`}:{' '}
            {sayFound(findingOf(view.knowledge, term.finding), term.value)}. {term.reason}
            {!term.counted && ' Not added: a stronger finding of its kind is.'}
            <AsideForm jobId={jobId} code={term.finding} isAside>
              <Button type="submit" variant="link">
                Set aside
                <span className="visually-hidden">
                  {' '}
                  {findingOf(view.knowledge, term.finding)?.title}
                </span>
              </Button>
            </AsideForm>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Causes in order of probability, each with its terms unfolded on demand. */
export function CauseList({ jobId, view }: CauseListProps) {
  const { causes } = view.diagnosis;
  const rest = causes.slice(SHOWN).reduce((sum, { probability }) => sum + probability, 0);
  return (
    <section aria-labelledby="zh-causes">
      <h3 id="zh-causes">What it may be</h3>
      {causes.slice(0, SHOWN).map((cause) => (
        <details key={cause.code} className={causesStyles.cause}>
          <summary>
            <span className={causesStyles.causeName}>
              {cause.name}
              {cause.place && <span className="zh-muted"> · {sayPlace(cause.place)}</span>}
            </span>
            <span className="zh-figure">{percent(cause.probability)}</span>
            <svg
              className={styles.meter}
              viewBox="0 0 100 6"
              preserveAspectRatio="none"
              aria-hidden="true"
            >
              <rect width={100 * cause.probability} height={6} />
            </svg>
          </summary>
          <Terms jobId={jobId} view={view} cause={cause} />
        </details>
      ))}
      {causes.length > SHOWN && (
        <p className="zh-muted mb-2">
          {causes.length - SHOWN} others share {percent(rest)}.
        </p>
      )}
    </section>
  );
}
