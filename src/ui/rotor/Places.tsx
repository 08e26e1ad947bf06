import type { SVGAttributes } from 'react';
import { facingSense } from '@/core/readings';
import { pointAt, RADIUS, radiusOf, type Exaggeration } from '@/core/drawing';
import { placeAngle, type RotorFaceProps } from './rotorFaceProps';

export interface PlacesProps extends Omit<RotorFaceProps, 'onPick'> {
  readonly scale: Exaggeration;
  /** What makes a button of a place; left out where none is picked. */
  readonly buttonOf?: (position: number) => SVGAttributes<SVGGElement>;
}

/** The positions with their numbers, read or not. */
export function Places(props: PlacesProps) {
  const { corner, values, active, suspects, scale, buttonOf } = props;
  const sense = facingSense(corner);
  return values.map((value, j) => {
    const theta = placeAngle(props, j);
    const dot = pointAt(value === null ? RADIUS.base : radiusOf(value, scale), theta, sense);
    const label = pointAt(RADIUS.label, theta, sense);
    const state = j === active ? 'active' : value === null ? '' : 'read';
    const suspect = suspects?.includes(j) ?? false;
    return (
      <g key={j} className={`place ${state}`} {...buttonOf?.(j)} data-position={j + 1}>
        {buttonOf && <circle className="hit" cx={dot.x} cy={dot.y} r={20} />}
        <circle className="dot" cx={dot.x} cy={dot.y} r={j === active ? 8 : 4.5} />
        {suspect && (
          <circle
            cx={dot.x}
            cy={dot.y}
            r={13}
            fill="none"
            stroke="var(--zh-berry)"
            strokeWidth={2.5}
            strokeDasharray="4 3"
          />
        )}
        <text
          x={label.x}
          y={label.y + 4.5}
          textAnchor="middle"

          fontWeight={j === active ? 800 : 400}
        >
          {j + 1}
        </text>
      </g>
    );
  });
}
