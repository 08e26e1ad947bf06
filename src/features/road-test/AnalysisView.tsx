'use client';

import type { RoadTestAnalysis } from '@/core/roadtest';
import { fromMetresPerSecond, type SpeedUnit } from '@/core/units';
import { LinesChart, useTurns } from '@/ui/chart';
import { spectrumLines, speedLines } from './model';
import asking from '@/ui/shell/asking.module.css';
import styles from './road-test.module.css';

const MARKS = [1, 2, 3].map((order) => ({ x: order, name: String(order) }));

/** What a recording says: the sentence, the figures, the order spectrum, the speed. */
export function AnalysisView({
  analysis,
  unit,
}: {
  readonly analysis: RoadTestAnalysis;
  readonly unit: SpeedUnit;
}) {
  const { strongest, brakingToCoasting: ratio, peakSpeed, windows, rate, gaps } = analysis;
  const spectrum = spectrumLines(analysis);
  const drawn = useTurns(2);
  const braked = windows.filter(({ kind }) => kind === 'braking').length;
  return (
    <>
      <p className={`${asking.lead} mb-2`}>
        <strong>{analysis.reading}</strong>
      </p>
      {strongest && (
        <dl className={styles.facts}>
          <div>
            <dt>Order</dt>
            <dd className="zh-figure">
              {Number.isInteger(strongest.order) ? strongest.order : strongest.order.toFixed(2)}
            </dd>
          </div>
          <div>
            <dt>Amplitude</dt>
            <dd className="zh-figure">{strongest.amplitude.toFixed(2)} m/s²</dd>
          </div>
          <div>
            <dt>Braking to coasting</dt>
            <dd className="zh-figure">
              {ratio === null ? '–' : ratio > 50 ? 'over 50' : `${ratio.toFixed(1)} ×`}
            </dd>
          </div>
          <div>
            <dt>Worst at</dt>
            <dd className="zh-figure">
              {peakSpeed === null
                ? '–'
                : `${fromMetresPerSecond(peakSpeed, unit).toFixed(0)} ${unit}`}
            </dd>
          </div>
        </dl>
      )}
      <p className="zh-muted mb-0">
        {analysis.samples.toLocaleString('en')} rows at {rate.toFixed(0)} a second, {gaps}{' '}
        {gaps === 1 ? 'gap' : 'gaps'}; {braked} of {windows.length} stretches braked. A peak within
        5&nbsp;% of a whole order is told as that order, since the logged speed may be a little off.
      </p>
      {drawn > 0 && (
        <LinesChart
          caption={`Order spectrum, axis ${spectrum.axis}: braking (strong), coasting (dashed)`}
          xTitle="order (times a turn of the wheel)"
          yTitle="amplitude (m/s²)"
          digits={2}
          marks={MARKS}
          label="Chart of amplitude against order, braking and coasting"
          lines={spectrum.lines}
        />
      )}
      {drawn > 1 && (
        <LinesChart
          caption={`Order ${strongest ? Number(strongest.order.toFixed(2)) : 1} by speed`}
          xTitle={`speed (${unit})`}
          yTitle="amplitude (m/s²)"
          digits={2}
          label="Chart of amplitude against speed"
          lines={speedLines(analysis, unit)}
        />
      )}
    </>
  );
}
