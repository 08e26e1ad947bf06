'use client';

import { usePathname } from 'next/navigation';
import { useKeeperState } from '@/ui/keeper';
import styles from './unsent.module.css';

/** Says on a page of a job that what it says is without what this device still holds. */
export function Unsent() {
  const path = usePathname();
  const { writes, isAway } = useKeeperState();
  const job = /^\/jobs\/([0-9a-f-]{36})/.exec(path)?.[1];
  const own = writes.filter(({ jobId }) => jobId !== null && jobId === job);
  const refused = own.filter(({ status }) => status.state !== 'waiting').length;
  // What is on its way to a server that answers is there before it could be read here.
  if (own.length === 0 || (!isAway && refused === 0)) return null;
  const many = own.length === 1 ? 'One entry' : `${own.length} entries`;
  return (
    <p className={styles.unsentNote} role="status" data-unsent-note>
      <strong>
        {many} of this job {own.length === 1 ? 'is' : 'are'} on this device only.
      </strong>{' '}
      <span>What this page says of the job is without {own.length === 1 ? 'it' : 'them'}.</span>
    </p>
  );
}
