import styles from './chart.module.css';
const BAR = 100;

/** A figure as a bar with its 95 % band and, where there is one, the limit. */
export function BandBar({
  value,
  low,
  high,
  limit,
  full,
}: {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly limit?: number;
  /** The figure at the bar's end. */
  readonly full: number;
}) {
  const x = (of: number): number => Math.round((BAR * 100 * of) / full) / 100;
  return (
    <svg
      className={styles.bar}
      viewBox={`0 0 ${BAR} 8`}
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <rect className="track" width={BAR} height={8} />
      <rect className="value" width={x(value)} y={2} height={4} />
      <rect className="reach" x={x(low)} width={Math.max(x(high) - x(low), 0.5)} height={8} />
      {limit !== undefined && <rect className="limit" x={x(limit)} width={0.8} height={8} />}
    </svg>
  );
}
