'use client';

import dynamic from 'next/dynamic';
import { ChartCard } from './ChartCard';
import type { PointsProps } from './PointsPlot';
import styles from './chart.module.css';

/** The chart code comes when a chart is shown, not with the page. */
const Plot = dynamic(() => import('./PointsPlot'), {
  ssr: false,
  loading: () => <div className={`${styles.chart} zh-muted`}>Drawing …</div>,
});

/** Points as a chart, and as a table with a row a point. */
export function PointsChart({ caption, ...props }: PointsProps & { readonly caption: string }) {
  const { points, digits, xTitle, yTitle } = props;
  return (
    <ChartCard
      caption={caption}
      chart={<Plot {...props} />}
      head={['', xTitle, yTitle]}
      rows={points.map(({ name, x, y }) => [name, x.toFixed(digits), y.toFixed(digits)])}
    />
  );
}
