'use client';

import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import { waveAt, type OrderPhasor } from '@/core/harmonics';
import { fromMicrometres, toRadians, UNIT_SIGN, type LengthUnit } from '@/core/units';
import styles from './chart.module.css';

export interface UnrolledProps {
  /** Angles in degrees and readings in micrometres, by position. */
  readonly angles: readonly number[];
  readonly values: readonly number[];
  readonly mean: number;
  readonly orders: readonly OrderPhasor[];
  /** TIR limit in micrometres, drawn round the middle. */
  readonly limit: number;
  readonly unit: LengthUnit;
  readonly label: string;
}

const STEP_DEG = 3;

/** The fit of the first orders up to `top` on a grid, in the shown unit. */
function fitted(props: UnrolledProps, top: number, angle: number): number {
  const orders = props.orders.filter(({ order }) => order <= top);
  return fromMicrometres(props.mean + waveAt(orders, toRadians(angle)), props.unit);
}

/** The readings unrolled against angle with their first- and second-order fit and the limit. */
export default function UnrolledPlot(props: UnrolledProps) {
  const { angles, values, limit, unit, label } = props;
  const show = (value: number): number => fromMicrometres(value, unit);
  const middle = (Math.min(...values) + Math.max(...values)) / 2;
  const grid = Array.from({ length: 360 / STEP_DEG + 1 }, (_, i) => ({
    angle: i * STEP_DEG,
    first: fitted(props, 1, i * STEP_DEG),
    second: fitted(props, 2, i * STEP_DEG),
  }));
  const points = [...angles, 360].map((angle, j) => ({
    angle,
    reading: show(values[j % values.length] ?? 0),
  }));
  const reach = Math.max(limit / 2, (Math.max(...values) - Math.min(...values)) / 2) * 1.15;
  const decimals = unit === 'thou' ? 1 : 3;
  return (
    <div className={styles.chart} role="img" aria-label={label}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart margin={{ top: 8, right: 16, bottom: 24, left: 12 }}>
          <CartesianGrid stroke="var(--zh-line)" />
          <XAxis
            dataKey="angle"
            type="number"
            domain={[0, 360]}
            ticks={[0, 60, 120, 180, 240, 300, 360]}
            allowDuplicatedCategory={false}
            label={{ value: 'angle from the chalk mark (°)', position: 'insideBottom', dy: 18 }}
            stroke="var(--zh-slate)"
          />
          <YAxis
            type="number"
            domain={[show(middle - reach), show(middle + reach)]}
            tickFormatter={(value: number) => value.toFixed(decimals)}
            label={{ value: UNIT_SIGN[unit], angle: -90, position: 'insideLeft', dx: -4 }}
            stroke="var(--zh-slate)"
            width={68}
          />
          {[-1, 1].map((side) => (
            <ReferenceLine
              key={side}
              y={show(middle + (side * limit) / 2)}
              stroke="var(--zh-berry)"
              strokeDasharray="8 4"
              label={side === 1 ? { value: 'limit', position: 'insideTopRight' } : undefined}
            />
          ))}
          <Line
            data={grid}
            dataKey="first"
            name="first-order fit"
            stroke="var(--zh-lagoon)"
            strokeDasharray="5 4"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          <Line
            data={grid}
            dataKey="second"
            name="first- and second-order fit"
            stroke="var(--zh-lagoon)"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          <Scatter
            data={points}
            dataKey="reading"
            name="readings"
            fill="var(--zh-ink)"
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
