'use client';

import { Button, Table } from 'react-bootstrap';
import { useState, type ReactNode } from 'react';

interface ChartCardProps {
  readonly caption: string;
  readonly chart: ReactNode;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** A chart with a table of its numbers one key away. */
export function ChartCard({ caption, chart, head, rows }: ChartCardProps) {
  const [isTable, setTable] = useState(false);
  return (
    <figure className="zh-card mt-3 mb-0">
      <figcaption className="d-flex justify-content-between align-items-center gap-2">
        <span>{caption}</span>
        <Button
          type="button"
          variant="outline-secondary"
          aria-pressed={isTable}
          onClick={() => setTable(!isTable)}
        >
          {isTable ? 'Chart' : 'Table'}
        </Button>
      </figcaption>
      {isTable ? (
        <Table size="sm" className="mt-2">
          <thead>
            <tr>
              {head.map((title) => (
                <th key={title} scope="col">
                  {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                {row.map((cell, j) => (
                  <td key={j} className="zh-figure">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      ) : (
        chart
      )}
    </figure>
  );
}
