'use client';

import dynamic from 'next/dynamic';
import { formatNumber, UNIT_SIGN } from '@/core/units';
import { ChartCard } from './ChartCard';
import type { UnrolledProps } from './UnrolledPlot';
import styles from './chart.module.css';

/** The chart code comes when a chart is shown, not with the page. */
const Plot = dynamic(() => import('./UnrolledPlot'), {
  ssr: false,
  loading: () => <div className={`${styles.chart} zh-muted`}>Drawing …</div>,
});

/** The unrolled readings as a chart, with a table of its numbers one key away. */
export function UnrolledChart({
  caption = 'Unrolled: readings (dots), first-order fit (dashed), first and second order (line)',
  ...props
}: UnrolledProps & { readonly caption?: string }) {
  const { angles, values, unit } = props;
  return (
    <ChartCard
      caption={caption}
      chart={<Plot {...props} />}
      head={['Position', 'Angle (°)', `Reading (${UNIT_SIGN[unit]})`]}
      rows={values.map((value, j) => [
        String(j + 1),
        (angles[j] ?? 0).toFixed(1),
        formatNumber(value, unit),
      ])}
    />
  );
}
