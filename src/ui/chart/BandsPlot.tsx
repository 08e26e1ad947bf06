'use client';

import {
  Bar,
  BarChart,
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import styles from './chart.module.css';

/** A figure with its band, in the chart's unit. */
export interface Band {
  readonly name: string;
  readonly low: number;
  readonly tir: number;
  readonly high: number;
}

export interface BandsProps {
  readonly bands: readonly Band[];
  readonly limit: number;
  readonly xTitle: string;
  /** Text alternative. */
  readonly label: string;
  readonly digits: number;
}

interface ShapeProps {
  readonly x?: number;
  readonly y?: number;
  readonly width?: number;
  readonly height?: number;
  readonly payload?: Band;
}

const ROW = 40;
const FRAME = 64;

/** A band as a bar with a stroke at its middle figure. */
function BandShape({ x = 0, y = 0, width = 0, height = 0, payload }: ShapeProps) {
  if (!payload) return null;
  const reach = payload.high - payload.low;
  const at = reach > 0 ? x + (width * (payload.tir - payload.low)) / reach : x;
  return (
    <g>
      <rect x={x} y={y} width={Math.max(width, 2)} height={height} className={styles.band} />
      <rect x={at - 2} y={y - 4} width={4} height={height + 8} className={styles.bandMiddle} />
    </g>
  );
}

/** Predicted figures with their bands, one a row, and the limit across them. */
export default function BandsPlot({ bands, limit, xTitle, label, digits }: BandsProps) {
  const data = bands.map((band) => ({ ...band, reach: [band.low, band.high] }));
  const most = Math.max(limit, ...bands.map(({ high }) => high)) * 1.05;
  return (
    <div
      className={styles.chart}
      style={{ blockSize: bands.length * ROW + FRAME }}
      role="img"
      aria-label={label}
    >
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          data={data}
          layout="vertical"
          margin={{ top: 26, right: 24, bottom: 24, left: 8 }}
        >
          <CartesianGrid stroke="var(--zh-line)" horizontal={false} />
          <XAxis
            type="number"
            domain={[0, most]}
            tickFormatter={(value: number) => value.toFixed(digits)}
            label={{ value: xTitle, position: 'insideBottom', dy: 18 }}
            stroke="var(--zh-slate)"
          />
          <YAxis type="category" dataKey="name" width={190} stroke="var(--zh-ink)" />
          <ReferenceLine
            x={limit}
            stroke="var(--zh-berry)"
            strokeWidth={2}
            strokeDasharray="6 3"
            label={{ value: 'limit', position: 'top', fill: 'var(--zh-berry)' }}
          />
          <Bar dataKey="reach" isAnimationActive={false} barSize={14} shape={<BandShape />} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
