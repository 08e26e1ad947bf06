import type { PracticeCase } from '@/core/practice';
import type { PracticeWrite } from '@/ui/keeper';
import { CardTable } from '@/ui/table';
import { wayOf } from './way';

const COLUMNS = ['What was done', 'Minutes'] as const;

/** The way of a case of one corner, step by step with what it took. */
export function CaseWay({
  own,
  writes,
  title,
}: {
  readonly own: PracticeCase;
  readonly writes: readonly PracticeWrite[];
  readonly title: string;
}) {
  const steps = wayOf(own, writes);
  return (
    <details className="zh-card mb-3">
      <summary className="zh-fold">{`${title} (${steps.length} ${steps.length === 1 ? 'step' : 'steps'})`}</summary>
      <CardTable columns={COLUMNS}>
        {steps.map(({ say, minutes }, i) => (
          <tr key={i} role="row">
            <th role="rowheader" scope="row">
              {say}
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
