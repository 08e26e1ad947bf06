'use client';

import { usePathname } from 'next/navigation';
import { useKeeperState, type KeptWrite } from '@/ui/keeper';
import styles from './unsent.module.css';

/** Says which of a job was not taken: its place, where the reason stands, may be screens away from where one reads. */
function NotTaken({ refused }: { readonly refused: readonly KeptWrite[] }) {
  const [first] = refused;
  return (
    <p className={styles.unsentNote} role="status" data-unsent-note>
      <strong>
        {first && refused.length === 1
          ? `Not taken: ${first.about}.`
          : `${refused.length} entries of this job were not taken.`}
      </strong>{' '}
      <span>Why stands where it was entered, and in the head of the page.</span>
    </p>
  );
}

/** Says on a page of a job that what it says is without what this device still holds. */
export function Unsent() {
  const path = usePathname();
  const { writes, isAway } = useKeeperState();
  const job = /^\/jobs\/([0-9a-f-]{36})/.exec(path)?.[1];
  const own = writes.filter(({ jobId }) => jobId !== null && jobId === job);
  const refused = own.filter(({ status }) => status.state !== 'waiting');
  // What is on its way to a server that answers is there before it could be read here.
  if (own.length === 0 || (!isAway && refused.length === 0)) return null;
  if (refused.length > 0) return <NotTaken refused={refused} />;
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
