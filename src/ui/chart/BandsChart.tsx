'use client';

import dynamic from 'next/dynamic';
import { ChartCard } from './ChartCard';
import type { BandsProps } from './BandsPlot';
import styles from './chart.module.css';

/** The chart code comes when a chart is shown, not with the page. */
const Plot = dynamic(() => import('./BandsPlot'), {
  ssr: false,
  loading: () => <div className={`${styles.chart} zh-muted`}>Drawing …</div>,
});

/** Figures with their bands as a chart, and as a table. */
export function BandsChart({ caption, ...props }: BandsProps & { readonly caption: string }) {
  const { bands, digits, xTitle } = props;
  return (
    <ChartCard
      caption={caption}
      chart={<Plot {...props} />}
      head={['', xTitle, 'low end of the band', 'high end']}
      rows={bands.map(({ name, tir, low, high }) => [
        name,
        ...[tir, low, high].map((value) => value.toFixed(digits)),
      ])}
    />
  );
}
