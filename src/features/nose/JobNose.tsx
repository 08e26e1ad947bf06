import { Button } from 'react-bootstrap';
import { CauseList } from './CauseList';
import { FoundList } from './FoundList';
import { findingOf, leadOf } from './model';
import { AsideForm } from './NoseForm';
import { NextChecks } from './NextChecks';
import type { JobNoseProps } from './props';
import asking from '@/ui/shell/asking.module.css';
import styles from './nose.module.css';

/** What the findings of a job point to and how sure that is, in a sentence. */
export function JobLead({
  view,
  isAsFound = false,
}: Pick<JobNoseProps, 'view'> & {
  /** True where a correction stands between the findings and the page. */
  readonly isAsFound?: boolean;
}) {
  const { lead, why, leadsTo } = leadOf(view.diagnosis);
  if (view.putRight.length > 0) {
    return (
      <p className="mb-2" role="status">
        <strong className={asking.lead}>Put right: {view.putRight.join('; ')}.</strong> As found the
        nose had said: {lead} What was measured since says more.
      </p>
    );
  }
  return (
    <p className="mb-2" role="status">
      {isAsFound && <span className="zh-muted">As found, before any correction:</span>}
      <strong className={asking.lead}>{lead}</strong> {why}
      {leadsTo && <span className="d-block zh-muted">{leadsTo}</span>}
    </p>
  );
}

/** What the findings of a job point to, how sure, why, and what to check next. */
export function JobNose({ jobId, corners, view }: JobNoseProps) {
  const { knowledge, aside } = view;
  return (
    <div className={styles.scent}>
      <CauseList jobId={jobId} view={view} />
      {/* What is put right asks for no more checks. */}
      {view.putRight.length === 0 && <NextChecks jobId={jobId} corners={corners} view={view} />}
      {aside.length > 0 && (
        <section aria-labelledby="zh-aside">
          <h3 id="zh-aside">Set aside</h3>
          {aside.map((code) => (
            <AsideForm key={code} jobId={jobId} code={code} isAside={false} className="zh-row">
              <span>{findingOf(knowledge, code)?.title ?? code}</span>
              <Button type="submit" variant="outline-secondary">
                Weigh it again
              </Button>
            </AsideForm>
          ))}
        </section>
      )}
      <FoundList jobId={jobId} view={view} />
    </div>
  );
}
