'use client';

import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { useTurns } from './useTurns';
import styles from './chart.module.css';

/** A line of a chart: its name and its points in the chart's units. */
export interface ChartLine {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  /** Told apart by dashes too, never by colour alone. */
  readonly look: 'plain' | 'dashed' | 'dotted' | 'strong';
}

export interface LinesProps {
  readonly lines: readonly ChartLine[];
  /** Axis titles with their units. */
  readonly xTitle: string;
  readonly yTitle: string;
  /** Places on the x axis that are marked, with their names. */
  readonly marks?: readonly { readonly x: number; readonly name: string }[];
  /** Text alternative. */
  readonly label: string;
  readonly digits: number;
  /** Where the y axis begins; at zero where it is not said. */
  readonly yFrom?: 'zero' | 'data';
}

const LOOK = {
  plain: { stroke: 'var(--zh-lagoon)', strokeWidth: 2 },
  dashed: { stroke: 'var(--zh-slate)', strokeWidth: 2, strokeDasharray: '6 4' },
  dotted: { stroke: 'var(--zh-ochre)', strokeWidth: 2, strokeDasharray: '2 4' },
  strong: { stroke: 'var(--zh-berry)', strokeWidth: 3 },
} as const;

/** Lines over one axis, with marks. */
export default function LinesPlot({
  lines,
  xTitle,
  yTitle,
  marks,
  label,
  digits,
  yFrom,
}: LinesProps) {
  // Axes first, then a line at a time: each is drawn in a task of its own, with room for a key between.
  const drawn = useTurns(lines.length, 0);
  return (
    <div className={styles.chart} role="img" aria-label={label}>
      <LineChart
        responsive
        style={{ width: '100%', height: '100%' }}
        margin={{ top: 8, right: 20, bottom: 24, left: 12 }}
      >
        <CartesianGrid stroke="var(--zh-line)" />
        <XAxis
          dataKey="x"
          type="number"
          domain={['dataMin', 'dataMax']}
          allowDuplicatedCategory={false}
          tickFormatter={(value: number) => (Math.round(value * 10) / 10).toLocaleString('en')}
          label={{ value: xTitle, position: 'insideBottom', dy: 18 }}
          stroke="var(--zh-slate)"
        />
        <YAxis
          type="number"
          domain={yFrom === 'data' ? ['auto', 'auto'] : [0, 'auto']}
          tickFormatter={(value: number) => value.toFixed(digits)}
          label={{ value: yTitle, angle: -90, position: 'insideLeft', dy: 40 }}
          stroke="var(--zh-slate)"
          width={72}
        />
        {drawn === lines.length && <Legend verticalAlign="top" iconType="plainline" />}
        {marks?.map(({ x, name }) => (
          <ReferenceLine
            key={x}
            x={x}
            stroke="var(--zh-ink)"
            strokeDasharray="1 3"
            label={{ value: name, position: 'insideTop', fill: 'var(--zh-ink)' }}
          />
        ))}
        {lines.slice(0, drawn).map(({ name, points, look }) => (
          <Line
            key={name}
            data={[...points]}
            dataKey="y"
            name={name}
            dot={points.length < 40}
            isAnimationActive={false}
            {...LOOK[look]}
          />
        ))}
      </LineChart>
    </div>
  );
}
