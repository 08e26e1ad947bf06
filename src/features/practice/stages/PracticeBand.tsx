import type { ReactNode } from 'react';
import { FileLink } from '@/ui/Link';
import styles from '../practice.module.css';

/** The frame of every page in the records of practice: its word stands over them, and across the paper. */
export const PracticeBand = ({
  home,
  children,
}: {
  /** Where all cases are: on the shop’s own door. */
  readonly home: string;
  readonly children: ReactNode;
}) => (
  <div className={styles.frame} data-part="practice">
    <div className={styles.band}>
      <strong>Practice</strong>
      <span className={styles.bandSay}>No customer’s car: nothing of it is on record.</span>
      <FileLink variant="outline-secondary" className="ms-auto zh-no-print" href={home}>
        All cases
      </FileLink>
    </div>
    {children}
  </div>
);
