'use client';

import { Table } from 'react-bootstrap';
import type { SpeedUnit } from '@/core/units';
import { LinesChart } from '@/ui/chart';
import { frequencyTable, turningOf } from './model';

interface FrequencyCardProps {
  readonly diameter: number;
  readonly finalDrive: number | null;
  readonly unit: SpeedUnit;
}

const LOOKS = ['strong', 'plain', 'dashed', 'dotted'] as const;

/** How often what turns comes round, by speed: table and chart. */
export function FrequencyCard({ diameter, finalDrive, unit }: FrequencyCardProps) {
  const turning = turningOf(finalDrive);
  const table = frequencyTable(diameter, turning, unit);
  return (
    <details className="zh-card mb-3">
      <summary className="zh-fold">
        How many a second, by speed (rolling diameter {diameter.toFixed(3)} m)
      </summary>
      <div className="table-responsive">
        <Table size="sm" className="mt-2">
          <caption>Times a second (Hz)</caption>
          <thead>
            <tr>
              <th scope="col">{unit}</th>
              {turning.map(({ name }) => (
                <th key={name} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.map(({ speed, hertz }) => (
              <tr key={speed}>
                <th scope="row" className="zh-figure">
                  {speed}
                </th>
                {hertz.map((rate, i) => (
                  <td key={i} className="zh-figure">
                    {rate.toFixed(1)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
      <LinesChart
        caption="Rate by speed"
        xTitle={`speed (${unit})`}
        yTitle="times a second (Hz)"
        digits={1}
        label="Chart of the rate of each order against speed"
        lines={turning.map(({ name }, i) => ({
          name,
          look: LOOKS[i] ?? 'plain',
          points: table.map(({ speed, hertz }) => ({ x: speed, y: hertz[i]! })),
        }))}
      />
    </details>
  );
}
