import type { ReactNode } from 'react';
import { ButtonLink } from '@/ui/Link';
import styles from './practice.module.css';

/** The frame of everything that is practice: its word stands over it, and across the paper. */
export function PracticeFrame({
  title,
  say = 'No customer’s car: nothing of it is on record.',
  aside,
  children,
}: {
  readonly title: ReactNode;
  /** What it is not, which nobody must mistake. */
  readonly say?: string;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <div className={styles.frame} data-part="practice">
      <div className={styles.band}>
        <h1>Practice {title}</h1>
        <span>{say}</span>
        <span className="ms-auto">{aside}</span>
      </div>
      {children}
    </div>
  );
}

/** The way back to all cases. */
export const AllCases = () => (
  <ButtonLink variant="outline-secondary" href="/practice">
    All cases
  </ButtonLink>
);
