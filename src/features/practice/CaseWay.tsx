'use client';

import { useMemo } from 'react';
import type { PracticeCase } from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import type { PracticeWrite } from '@/ui/keeper';
import { CardTable } from '@/ui/table';
import { wayOf } from './way';

const COLUMNS = ['What was done', 'Minutes'] as const;

/** The way of a case of one corner, step by step with what it took. */
export function CaseWay({
  own,
  writes,
  units,
  title,
}: {
  readonly own: PracticeCase;
  readonly writes: readonly PracticeWrite[];
  readonly units: UnitSystem;
  readonly title: string;
}) {
  const steps = useMemo(() => wayOf(own, writes, units), [own, writes, units]);
  return (
    <details className="zh-card mb-3">
      <summary className="zh-fold">{`${title} (${steps.length} ${steps.length === 1 ? 'step' : 'steps'})`}</summary>
      <CardTable columns={COLUMNS}>
        {steps.map(({ say, minutes, worth }, i) => (
          <tr key={i} role="row">
            <th role="rowheader" scope="row">
              {say}
              {worth && <div className="zh-muted fw-normal">{worth}</div>}
            </th>
            <td role="cell" data-label={COLUMNS[1]} className="zh-figure">
              {minutes === 0 ? '–' : minutes.toFixed(1)}
            </td>
          </tr>
        ))}
      </CardTable>
    </details>
  );
}
