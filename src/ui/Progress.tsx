import styles from './progress.module.css';

interface ProgressProps {
  /** What is under way, for who does not see it. */
  readonly name: string;
  readonly now: number;
  readonly max: number;
}

/** How far something is that takes its time: the browser’s own bar. */
export const Progress = ({ name, now, max }: ProgressProps) => (
  <progress className={styles.progress} aria-label={name} value={now} max={max} />
);
