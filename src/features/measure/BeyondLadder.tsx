import { beyondPlace } from '@/core/assessment';
import { fieldUnit, formatNumber } from '@/core/units';
import { useRoving } from '@/ui/useRoving';
import { roleOf, type BenchCorner, type BenchSet, type Cursor } from './model';
import { placeName } from './placeName';
import { readBeyond } from './result';
import styles from './measure.module.css';

interface BeyondLadderProps {
  readonly set: BenchSet;
  readonly cursor: Cursor | null;
  readonly corner: BenchCorner;
  readonly onPick: (cursor: Cursor) => void;
}

function shortName(set: BenchSet, position: number): string {
  const place = beyondPlace(set, position);
  if (place?.of === 'turn') return `${place.end === 'high' ? '▲' : '▼'} ${place.turn + 1}`;
  return place ? `${place.angleDeg}°` : '';
}

/** What was read beyond the laps: slow turns, or places of thickness; each can be typed again. */
export function BeyondLadder({ set, cursor, corner, onPick }: BeyondLadderProps) {
  const unit = fieldUnit(corner.units, roleOf(set));
  const read = readBeyond(set);
  const rove = useRoving(read.length, 0, 'ol');
  if (read.length === 0) return null;
  return (
    <>
      <p className="zh-muted mt-2 mb-0">
        {set.kind === 'runout' ? 'Slow turns, highest and lowest place' : 'Places between'}
      </p>
      <ol className={`${styles.ladder} wide`} aria-label="Readings beyond the laps">
        {read.map(({ lap, position, text, valueUm }, index) => (
          <li key={`${lap}.${position}`}>
            <button
              type="button"
              {...rove(index)}
              aria-current={cursor?.lap === lap && cursor.position === position}
              aria-label={`${placeName(set, position, corner)}: ${formatNumber(valueUm, unit)}`}
              title={`typed: ${text}`}
              onClick={() => onPick({ lap, position })}
            >
              <span className={styles.place}>{shortName(set, position)}</span>
              <span className="zh-figure">{formatNumber(valueUm, unit)}</span>
            </button>
          </li>
        ))}
      </ol>
    </>
  );
}
