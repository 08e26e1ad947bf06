import { DRUM_ANGLES, DRUM_LABEL_RADIUS, drumOutline, pointAt, RADIUS, SIDE } from '@/core/drawing';
import styles from './DrumFace.module.css';

interface DrumFaceProps {
  /** Four diameters in micrometres, an eighth of a turn apart; null where one was not read. */
  readonly diameters: readonly (number | null)[];
  /** Micrometres out of round that are allowed. */
  readonly limit: number;
  /** The four as they are written. */
  readonly figures: readonly string[];
  /** Names what is drawn, for those who do not see it. */
  readonly label: string;
}

/** A figure ends inside this radius. */
const BESIDE = 124;

/** The inside of a drum as one looks into it: its shape exaggerated, its four diameters across. */
export function DrumFace({ diameters, limit, figures, label }: DrumFaceProps) {
  const known = diameters.filter((value) => value !== null);
  const isWhole = known.length === diameters.length;
  const middle = SIDE / 2;
  const range = isWhole ? Math.max(...known) - Math.min(...known) : 0;
  return (
    <svg className={styles.drum} viewBox={`0 0 ${SIDE} ${SIDE}`} role="img" aria-label={label}>
      <circle className={styles.edge} cx={middle} cy={middle} r={RADIUS.edge} />
      <circle className={styles.round} cx={middle} cy={middle} r={RADIUS.base} />
      {DRUM_ANGLES.map((angle, i) => {
        // The line leaves room for its figure.
        const [end, far] = [pointAt(RADIUS.base, angle, 1), pointAt(RADIUS.base, angle + 180, 1)];
        const gap = { from: pointAt(BESIDE, angle, 1), to: pointAt(RADIUS.hub / 2, angle, 1) };
        const at = pointAt(DRUM_LABEL_RADIUS, angle, 1);
        return (
          <g key={angle}>
            <path
              className={styles.across}
              data-read={diameters[i] !== null}
              d={`M${end.x} ${end.y}L${gap.from.x} ${gap.from.y}M${gap.to.x} ${gap.to.y}L${far.x} ${far.y}`}
            />
            <text className={styles.figure} x={at.x} y={at.y}>
              {figures[i] || i + 1}
            </text>
          </g>
        );
      })}
      {isWhole && (
        <path
          className={styles.shape}
          d={drumOutline(known, Math.max(range, limit), 1)}
          transform={`translate(${middle} ${middle})`}
        />
      )}
      <path className={styles.mark} d={`M${middle - 9} 14h18l-9 16z`} />
    </svg>
  );
}
