'use client';

import dynamic from 'next/dynamic';
import { ChartCard } from './ChartCard';
import type { LinesProps } from './LinesPlot';
import styles from './chart.module.css';

export type { ChartLine } from './LinesPlot';

/** The chart code comes when a chart is shown, not with the page. */
const Plot = dynamic(() => import('./LinesPlot'), {
  ssr: false,
  loading: () => <div className={`${styles.chart} zh-muted`}>Drawing …</div>,
});

/** Rows that a table of a chart's numbers has at most. */
const MOST_ROWS = 400;

/** Lines over one axis as a chart, and as a table with a column a line. */
export function LinesChart({ caption, ...props }: LinesProps & { readonly caption: string }) {
  const { lines, xTitle, digits } = props;
  const places = [...new Set(lines.flatMap(({ points }) => points.map(({ x }) => x)))].sort(
    (p, q) => p - q,
  );
  const at = lines.map(({ points }) => new Map(points.map(({ x, y }) => [x, y])));
  const rows = places
    .slice(0, MOST_ROWS)
    .map((x) => [x.toFixed(2), ...at.map((line) => line.get(x)?.toFixed(digits + 1) ?? '')]);
  return (
    <ChartCard
      caption={caption}
      chart={<Plot {...props} />}
      head={[xTitle, ...lines.map(({ name }) => name)]}
      rows={rows}
    />
  );
}
