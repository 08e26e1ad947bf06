'use client';

import { Button } from 'react-bootstrap';
import { useState } from 'react';
import type { Caution, SafetyItem } from '@/core/procedure';
import { Cautions } from '@/ui/procedure';
import { Conflicts } from './Conflicts';
import { checkAt, type CheckView } from './model';
import { ReasonForm } from '@/ui/ReasonForm';
import { useChecks } from './useChecks';
import styles from './strip.module.css';
import picks from '@/ui/shell/picks.module.css';

interface LiftingListProps {
  readonly jobId: string;
  readonly items: readonly SafetyItem[];
  readonly cautions: readonly Caution[];
  readonly checks: readonly CheckView[];
}

/** The list before lifting: each item done or left out with a reason, by whom and when. */
export function LiftingList({ jobId, items, cautions, checks: stored }: LiftingListProps) {
  const store = useChecks(jobId, stored, ({ kind }) => kind === 'lifting');
  const [asking, setAsking] = useState<string | null>(null);
  const write = (item: string, value: 'done' | 'skipped' | null, note: string | null): void => {
    setAsking(null);
    store.write({ kind: 'lifting', place: '', item, value, note });
  };
  const nameOf = (code: string): string => items.find((item) => item.code === code)?.say ?? code;
  return (
    <>
      <Cautions cautions={cautions} />
      <Conflicts
        {...store}
        say={(item, value) =>
          `${nameOf(item)}: ${value === null ? 'open' : value === 'done' ? 'done' : 'left out'}`
        }
      />
      <ul className="list-unstyled mb-0">
        {items.map(({ code, say, why }) => {
          const check = checkAt(store.checks, { kind: 'lifting', place: '', item: code });
          return (
            <li key={code} className={styles.lift}>
              <Button
                type="button"
                variant={check?.value === 'done' ? 'dark' : 'outline-secondary'}
                className={picks.tick}
                aria-pressed={check?.value === 'done'}
                onClick={() => write(code, check?.value === 'done' ? null : 'done', null)}
              >
                {check?.value === 'done' ? '✓' : ''} {say}
              </Button>
              <span className="zh-muted">
                {check?.value === 'done' && `${check.by ?? ''} ${check.at}`}
                {check?.value === 'skipped' &&
                  `Left out: ${check.note ?? ''} · ${check.by ?? ''} ${check.at}`}
                {!check && why}
              </span>
              {asking === code ? (
                <ReasonForm
                  label={`Why it is left out: ${say}`}
                  placeholder="Why is it left out?"
                  button="Leave it out"
                  onGive={(reason) => write(code, 'skipped', reason)}
                />
              ) : (
                check?.value !== 'done' && (
                  <Button
                    type="button"
                    variant="link"
                    onClick={() => (check ? write(code, null, null) : setAsking(code))}
                  >
                    {check ? 'Open it again' : 'Leave out …'}
                    <span className="visually-hidden"> {say}</span>
                  </Button>
                )
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}
