'use client';

import { Button, FormControl } from 'react-bootstrap';
import { useState, type ReactNode } from 'react';
import type { RuleInForce } from '@/core/procedure';
import { useSend } from '@/ui/field';
import { writeOwnRule, writeRule } from './writes';
import styles from './rules.module.css';
import picks from '@/ui/shell/picks.module.css';

/** A job whose own way is chosen; without one it is the shop\u2019s. */
export interface RuleJob {
  readonly id: string;
  /** Stamps of the job\u2019s own choices, by rule. */
  readonly stamps: Readonly<Record<string, string>>;
}

interface RuleCardProps {
  readonly inForce: RuleInForce;
  readonly job: RuleJob | null;
}

const WHOSE: Readonly<Record<RuleInForce['by'], string>> = {
  shipped: 'workshop default',
  shop: 'the shop\u2019s choice',
  job: 'this job\u2019s own way',
};

/** A form whose one button says what became of it. */
function RuleForm({
  rule,
  job,
  children,
}: {
  readonly rule: string;
  readonly job: RuleJob | null;
  readonly children: (busy: boolean) => ReactNode;
}) {
  const shop = useSend(writeRule);
  const own = useSend(writeOwnRule);
  const [said, setSaid] = useState<string | null>(null);
  const trouble = shop.trouble ?? own.trouble;
  const submit = (form: FormData): void => {
    const text = (name: string): string | null => {
      const value = form.get(name);
      return typeof value === 'string' && value !== '' ? value : null;
    };
    const choice = text('school');
    if (!job) shop.send([rule, choice], () => setSaid('Kept for the shop.'));
    else {
      const seen = job.stamps[rule] ?? null;
      own.send([{ jobId: job.id, item: rule, value: choice, note: text('note'), seen }], () =>
        setSaid('Kept for this job.'),
      );
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        submit(new FormData(event.currentTarget));
      }}
    >
      {children(shop.busy || own.busy)}
      <span role="status" className={trouble ? 'zh-error' : 'zh-muted'}>
        {trouble ?? said}
      </span>
    </form>
  );
}

/** One point where good technicians differ: its schools, for and against, and the choice. */
export function RuleCard({ inForce, job }: RuleCardProps) {
  const { rule, school, by, reason } = inForce;
  return (
    <details id={rule.code} className={`zh-card mb-2 ${styles.rule}`}>
      <summary className="zh-fold">
        <span>
          {rule.number}. {rule.title}: <strong>{school.name}</strong>{' '}
          <span className="zh-muted">
            {WHOSE[by]}
            {reason && `: ${reason}`}
          </span>
        </span>
      </summary>
      <RuleForm rule={rule.code} job={job}>
        {(busy) => (
          <>
            {rule.schools.map((each) => (
              <label key={each.code} className={picks.choice}>
                <input
                  type="radio"
                  name="school"
                  value={each.code}
                  defaultChecked={each.code === school.code}
                />
                <span>
                  <strong>{each.name}.</strong> For: {each.for}{' '}
                  <span className="zh-muted">Against: {each.against}</span>
                </span>
              </label>
            ))}
            {job && (
              <FormControl
                className="mb-2"
                name="note"
                aria-label={`Why another way: ${rule.title}`}
                placeholder="Why another way for this job"
                autoComplete="off"
                defaultValue={reason ?? ''}
              />
            )}
            <Button type="submit" variant="primary" disabled={busy}>
              {job ? 'This way for this job' : 'The shop does it this way'}
            </Button>{' '}
          </>
        )}
      </RuleForm>
      {((job && by === 'job') || (!job && by === 'shop')) && (
        <RuleForm rule={rule.code} job={job}>
          {(busy) => (
            <Button type="submit" variant="link" disabled={busy}>
              {job ? 'Back to the shop\u2019s way' : 'Back to the workshop default'}
            </Button>
          )}
        </RuleForm>
      )}
    </details>
  );
}

/** All the rules in their order. */
export function RuleBook({
  rules,
  job,
}: {
  readonly rules: readonly RuleInForce[];
  readonly job: RuleJob | null;
}) {
  return (
    <>
      {rules.map((inForce) => (
        <RuleCard
          key={`${inForce.rule.code} ${inForce.school.code} ${inForce.by}`}
          inForce={inForce}
          job={job}
        />
      ))}
    </>
  );
}
