'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { formatNumber, UNIT_SIGN } from '@/core/units';
import type { UnrolledProps } from './UnrolledPlot';

/** The chart code comes when a chart is shown, not with the page. */
const Plot = dynamic(() => import('./UnrolledPlot'), {
  ssr: false,
  loading: () => <div className="zh-chart zh-muted">Drawing …</div>,
});

/** The unrolled readings as a chart, with a table of its numbers one key away. */
export function UnrolledChart(props: UnrolledProps) {
  const [isTable, setTable] = useState(false);
  const { angles, values, unit } = props;
  return (
    <figure className="zh-card mt-3 mb-0">
      <figcaption className="d-flex justify-content-between align-items-center gap-2">
        <span>
          Unrolled: readings (dots), first-order fit (dashed), first and second order (line)
        </span>
        <button
          type="button"
          className="btn btn-outline-secondary"
          aria-pressed={isTable}
          onClick={() => setTable(!isTable)}
        >
          {isTable ? 'Chart' : 'Table'}
        </button>
      </figcaption>
      {isTable ? (
        <table className="table table-sm mt-2">
          <thead>
            <tr>
              <th scope="col">Position</th>
              <th scope="col">Angle (°)</th>
              <th scope="col">Reading ({UNIT_SIGN[unit]})</th>
            </tr>
          </thead>
          <tbody>
            {values.map((value, j) => (
              <tr key={j}>
                <td>{j + 1}</td>
                <td className="zh-figure">{(angles[j] ?? 0).toFixed(1)}</td>
                <td className="zh-figure">{formatNumber(value, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <Plot {...props} />
      )}
    </figure>
  );
}
