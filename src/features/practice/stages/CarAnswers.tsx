'use client';

import { usePathname } from 'next/navigation';
import { useMemo, useState } from 'react';
import { Button } from 'react-bootstrap';
import { customerSays, driveOf, shownOf, type FindCase } from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import { DriveFile } from '../find/DriveFile';
import { sayMinutes } from '../find/FindChecks';
import { sayShown } from '../find/say';
import { carOf } from './tell';
import styles from '../practice.module.css';

/** The log of a drive, as a file: after the work it shows what is left. */
function DriveLog({ own, isCured }: { readonly own: FindCase; readonly isCured: boolean }) {
  const file = useMemo(() => {
    const shows = own.shows.map((each) =>
      isCured && each.code === 'recording' ? { ...each, value: 'none' } : each,
    );
    return new File([driveOf({ ...own, shows }).csv], `${own.code}.csv`, { type: 'text/csv' });
  }, [own, isCured]);
  return <DriveFile file={file} />;
}

/** What a drive before the work shows, one thing after the other. */
function Drive({ own, units }: { readonly own: FindCase; readonly units: UnitSystem }) {
  const [told, setTold] = useState<readonly string[]>([]);
  const checks = own.knowledge.findings.filter(({ stage }) => stage === 'road-test');
  return (
    <>
      <ul className="list-unstyled mb-2" aria-live="polite">
        {checks
          .filter(({ code }) => told.includes(code))
          .map((finding) => (
            <li key={finding.code}>
              <span className="zh-muted">{finding.title}:</span>{' '}
              <strong>{sayShown(own, finding, units)}</strong>
              {finding.code === 'recording' && (
                <div className="my-1">
                  <DriveLog own={own} isCured={false} />
                </div>
              )}
            </li>
          ))}
      </ul>
      <div className={styles.checks}>
        {checks
          .filter(({ code }) => !told.includes(code))
          .map(({ code, title, minutes }) => (
            <Button key={code} variant="outline-secondary" onClick={() => setTold([...told, code])}>
              {title} <span className="fw-normal">{sayMinutes(minutes)}</span>
            </Button>
          ))}
      </div>
    </>
  );
}

/** How the car drives after the work, told once it is driven. */
function DriveAgain({ own, isCured }: { readonly own: FindCase; readonly isCured: boolean }) {
  const [isDriven, setDriven] = useState(false);
  const { value, isDoubted } = shownOf(own, 'felt');
  const said = customerSays('felt', String(value), isDoubted) ?? '';
  if (!isDriven) {
    return (
      <Button variant="secondary" onClick={() => setDriven(true)}>
        Drive it again
      </Button>
    );
  }
  return (
    <>
      <p className="mb-2" role="status">
        <strong>
          {isCured
            ? 'It is gone: nothing in the hands, the foot or the seat.'
            : `It is still there, as the customer had it: “${said}”`}
        </strong>
      </p>
      <DriveLog {...{ own, isCured }} />
    </>
  );
}

/** The drive of a car of practice, before the work and after it, on the pages that ask for one. */
export function CarAnswers({
  code,
  isCured,
  units,
}: {
  readonly code: string;
  /** What was done so far puts the fault right. */
  readonly isCured: boolean;
  readonly units: UnitSystem;
}) {
  const own = useMemo(() => carOf(code), [code]);
  const path = usePathname();
  if (!path.endsWith('/road-test')) return null;
  return (
    <section className="zh-card mb-3 zh-no-print" aria-labelledby="practice-drive">
      <h2 id="practice-drive">The drive</h2>
      {path.endsWith('/prove/road-test') ? (
        <DriveAgain {...{ own, isCured }} />
      ) : (
        <Drive {...{ own, units }} />
      )}
    </section>
  );
}
