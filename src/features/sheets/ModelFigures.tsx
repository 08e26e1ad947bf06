'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { SOURCE_NAME } from '@/core/assessment';
import { sheetKind, type Comparison } from '@/core/sheets';
import { useSend } from '@/ui/field';
import { sayFigure } from './model';
import { keepAsSheet, takeSheet } from './writes';

interface ModelFiguresProps {
  readonly vehicle: { readonly id: string; readonly make: string; readonly model: string };
  readonly compared: Comparison & { readonly count: number };
}

/** A vehicle beside its model’s sheets: what it lacks, what it says otherwise, and the way back. */
export function ModelFigures({ vehicle, compared }: ModelFiguresProps) {
  const { id: vehicleId, make, model } = vehicle;
  const { missing, differs, unsure, count } = compared;
  const [said, setSaid] = useState<string | null>(null);
  const take = useSend(takeSheet);
  const keep = useSend(keepAsSheet);
  if (make === '' || model === '') return null;
  const name = `${make} ${model}`;
  return (
    <section className="zh-card mb-3 zh-no-print" aria-label="The model’s sheet">
      <h2>The model’s sheet</h2>
      {count === 0 && (
        <p>No sheet of {name} is on file for its model year, or for all years, and its brakes.</p>
      )}
      {count > 0 && missing.length + differs.length + unsure.length === 0 && (
        <p>This vehicle has what the sheet of {name} says.</p>
      )}
      {missing.length > 0 && (
        <>
          <p className="mb-1">It lacks what the sheet says:</p>
          <ul>
            {missing.map(({ axle, code, sheet }) => (
              <li key={`${axle} ${code}`}>
                {sheetKind(code).name}, {axle}:{' '}
                <strong className="zh-figure">{sayFigure(code, sheet)}</strong>{' '}
                <span className="zh-muted">{SOURCE_NAME[sheet.source]}</span>
              </li>
            ))}
          </ul>
          <Button
            className="mb-2"
            disabled={take.busy}
            onClick={() =>
              take.send([{ vehicleId, make, model }], (many) =>
                setSaid(`${many} figures taken over.`),
              )
            }
          >
            Take over {missing.length === 1 ? 'it' : `all ${missing.length}`}
          </Button>
        </>
      )}
      {differs.length > 0 && (
        <>
          <p className="mb-1">Its own figure stands; the sheet says otherwise:</p>
          <ul>
            {differs.map(({ axle, code, sheet, own }) => (
              <li key={`${axle} ${code}`}>
                {sheetKind(code).name}, {axle}: here{' '}
                <strong className="zh-figure">{own && sayFigure(code, own)}</strong>, the sheet says{' '}
                <strong className="zh-figure">{sayFigure(code, sheet)}</strong>{' '}
                <span className="zh-muted">{SOURCE_NAME[sheet.source]}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      {unsure.length > 0 && (
        <p>
          Sheets of this model differ on{' '}
          {unsure
            .map(({ axle, code }) => `${sheetKind(code).name.toLowerCase()} (${axle})`)
            .join(', ')}
          : by year or by wheel. Look at the part, or in the maker’s service information.
        </p>
      )}
      <Button
        variant="outline-secondary"
        disabled={keep.busy}
        onClick={() =>
          keep.send([vehicleId], (many) =>
            setSaid(
              many === 0
                ? 'The sheet has all of it already.'
                : `${many} figures kept on the sheet; what it says otherwise stays.`,
            ),
          )
        }
      >
        Keep this vehicle’s figures as the model’s sheet
      </Button>
      {said && <p role="status">{said}</p>}
      {(take.trouble ?? keep.trouble) && (
        <p className="zh-error mb-0" role="alert">
          {take.trouble ?? keep.trouble}
        </p>
      )}
    </section>
  );
}
