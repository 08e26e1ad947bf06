'use client';

import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts';
import styles from './chart.module.css';

/** A point with its name, in the chart's units. */
export interface NamedPoint {
  readonly name: string;
  readonly x: number;
  readonly y: number;
}

export interface PointsProps {
  readonly points: readonly NamedPoint[];
  /** Axis titles with their units. */
  readonly xTitle: string;
  readonly yTitle: string;
  /** Text alternative. */
  readonly label: string;
  readonly digits: number;
}

/** Points at one scale both ways, with the line on which both figures are the same. */
export default function PointsPlot({ points, xTitle, yTitle, label, digits }: PointsProps) {
  const most = 1.05 * Math.max(...points.flatMap(({ x, y }) => [x, y]));
  const tick = (value: number): string => value.toFixed(digits);
  return (
    <div className={styles.chart} role="img" aria-label={label}>
      <ResponsiveContainer width="100%" height="100%">
        <ScatterChart margin={{ top: 8, right: 20, bottom: 24, left: 12 }}>
          <CartesianGrid stroke="var(--zh-line)" />
          <XAxis
            dataKey="x"
            type="number"
            domain={[0, most]}
            tickFormatter={tick}
            label={{ value: xTitle, position: 'insideBottom', dy: 18 }}
            stroke="var(--zh-slate)"
          />
          <YAxis
            dataKey="y"
            type="number"
            domain={[0, most]}
            tickFormatter={tick}
            label={{ value: yTitle, angle: -90, position: 'insideLeft', dy: 40 }}
            stroke="var(--zh-slate)"
            width={72}
          />
          <ReferenceLine
            segment={[
              { x: 0, y: 0 },
              { x: most, y: most },
            ]}
            stroke="var(--zh-ink)"
            strokeDasharray="6 4"
          />
          <Scatter
            data={[...points]}
            isAnimationActive={false}
            shape="circle"
            fill="var(--zh-lagoon)"
            fillOpacity={0.6}
          />
        </ScatterChart>
      </ResponsiveContainer>
    </div>
  );
}
