'use client';

import type { KeyboardEvent, PointerEvent } from 'react';
import { pointAt, SIDE } from '@/ui/rotor';
import styles from './measure.module.css';

interface VirtualWheelProps {
  /** Degrees from the chalk mark, in the theta sense. */
  readonly turn: number;
  readonly sense: 1 | -1;
  readonly studs: number;
  readonly target: number | null;
  /** What turns it by hand; left out where it turns by itself. */
  readonly hand?: {
    readonly onKeyDown: (event: KeyboardEvent) => void;
    readonly onGrab: (event: PointerEvent<SVGSVGElement>) => void;
    readonly onDrag: (event: PointerEvent<SVGSVGElement>) => void;
    readonly onDrop: () => void;
  };
}

const MIDDLE = SIDE / 2;
const RIM = SIDE * 0.4;

/** A wheel under a fixed probe: dragged round, or turned by arrow keys. */
export function VirtualWheel(props: VirtualWheelProps) {
  const { turn, sense, studs, target, hand } = props;
  const isAt = (angle: number): boolean => Math.abs(angle - turn) < 1e-9;
  const mark = target === null ? null : pointAt(RIM - 16, target - turn, sense);
  return (
    <svg
      className={styles.wheel}
      viewBox={`0 0 ${SIDE} ${SIDE}`}
      aria-label="Wheel, turned under the probe"
      {...(hand
        ? {
            role: 'slider',
            tabIndex: 0,
            'aria-valuenow': Math.round(turn),
            'aria-valuetext': `${Math.round(((turn % 360) + 360) % 360)} degrees from the chalk mark`,
            onKeyDown: hand.onKeyDown,
            onPointerDown: (event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              hand.onGrab(event);
            },
            onPointerMove: hand.onDrag,
            onPointerUp: hand.onDrop,
            onPointerCancel: hand.onDrop,
          }
        : { role: 'img' })}
    >
      <g transform={`rotate(${-sense * turn} ${MIDDLE} ${MIDDLE})`}>
        <circle className="iron" cx={MIDDLE} cy={MIDDLE} r={RIM} />
        <circle className="hat" cx={MIDDLE} cy={MIDDLE} r={RIM * 0.5} />
        {Array.from({ length: studs }, (_, s) => {
          const at = pointAt(RIM * 0.32, (360 * s) / studs, sense);
          return <circle key={s} className="stud" cx={at.x} cy={at.y} r={8} />;
        })}
        <line className="chalk" x1={MIDDLE} y1={MIDDLE - RIM * 0.2} x2={MIDDLE} y2={MIDDLE - RIM} />
      </g>
      {mark && target !== null && (
        <circle className={isAt(target) ? 'there' : 'wanted'} cx={mark.x} cy={mark.y} r={9} />
      )}
      <path className="probe" d={`M${MIDDLE - 9} 4 h18 v${MIDDLE - RIM - 8} l-9 14 l-9 -14 z`} />
    </svg>
  );
}
