'use client';

import { useState } from 'react';
import { Button, Form, Table } from 'react-bootstrap';
import { SOURCE_NAME } from '@/core/assessment';
import { saySheet, sheetKind, type MergeLine } from '@/core/sheets';
import type { SheetsPlan } from '@/server/shop/sheetsExchange';
import { FormField, useSend } from '@/ui/field';
import { sayFigure } from './model';
import { bringSheets, planSheets } from './writes';

/** A spreadsheet that was looked through: its text, and what it would bring. */
interface Looked {
  readonly text: string;
  readonly plan: SheetsPlan;
}

const countOf = (lines: readonly MergeLine[], state: MergeLine['state']): number =>
  lines.filter((line) => line.state === state).length;

/** Figures that are said otherwise here: ours stay, unless theirs is ticked. */
function Conflicts({
  lines,
  take,
  onTake,
}: {
  readonly lines: readonly MergeLine[];
  readonly take: ReadonlySet<string>;
  readonly onTake: (ids: readonly string[], isTaken: boolean) => void;
}) {
  if (lines.length === 0) return null;
  const ids = lines.map(({ id }) => id);
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label="Said otherwise here">
      <Table size="sm" className="mt-2 align-middle">
        <thead>
          <tr>
            <th scope="col">Said otherwise here</th>
            <th scope="col">Ours</th>
            <th scope="col">Theirs</th>
            <th scope="col">
              <Form.Check
                id="zh-take-all"
                label="Take theirs"
                checked={take.size === lines.length}
                onChange={({ target }) => onTake(ids, target.checked)}
              />
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ id, sheet, code, ours, theirs }) => (
            <tr key={id}>
              <th scope="row" className="fw-normal">
                <strong>{sheetKind(code).name}</strong>
                <div className="zh-muted">{saySheet(sheet)}</div>
              </th>
              <td>
                <span className="zh-figure">{ours && sayFigure(code, ours)}</span>{' '}
                <span className="zh-muted">{ours && SOURCE_NAME[ours.source]}</span>
              </td>
              <td>
                <span className="zh-figure">{sayFigure(code, theirs)}</span>{' '}
                <span className="zh-muted">{SOURCE_NAME[theirs.source]}</span>
              </td>
              <td>
                <Form.Check
                  id={id}
                  aria-label={`Take theirs: ${sheetKind(code).name}`}
                  checked={take.has(id)}
                  onChange={({ target }) => onTake([id], target.checked)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}

/** Where a spreadsheet of sheets comes in: looked through first, then brought. */
export function SheetsDesk() {
  const [looked, setLooked] = useState<Looked | null>(null);
  const [take, setTake] = useState<ReadonlySet<string>>(new Set());
  const [fault, setFault] = useState<string | null>(null);
  const [isLooking, setLooking] = useState(false);
  const [brought, setBrought] = useState<number | null>(null);
  const { send, busy, trouble } = useSend(bringSheets);
  const look = async (file: File | null): Promise<void> => {
    setLooked(null);
    setFault(null);
    setBrought(null);
    setTake(new Set());
    if (!file) return;
    setLooking(true);
    const text = await file.text().catch(() => '');
    const answer = await planSheets(text);
    setLooking(false);
    if (answer.ok) setLooked({ text, plan: answer.value });
    else setFault(answer.message);
  };
  const onTake = (ids: readonly string[], isTaken: boolean): void =>
    setTake((before) => {
      const after = new Set(before);
      for (const id of ids) {
        if (isTaken) after.add(id);
        else after.delete(id);
      }
      return after;
    });
  const lines = looked?.plan.lines ?? [];
  const fresh = countOf(lines, 'new');
  return (
    <details className="zh-card mb-3">
      <summary className="py-2">From a spreadsheet</summary>
      <p className="zh-muted">
        A CSV file with the columns of “All as a spreadsheet”: make, model and axle must be filled;
        the unit of a figure stands in the name of its column, its source beside it (maker, stamped,
        workshop, other). It is looked through first; nothing is written until you say so.
      </p>
      <FormField
        label="Spreadsheet (CSV)"
        control={(ids) => (
          <Form.Control
            type="file"
            accept=".csv,text/csv"
            {...ids}
            onChange={({ target }) => void look((target as HTMLInputElement).files?.[0] ?? null)}
          />
        )}
      />
      {isLooking && <p role="status">Looking through it …</p>}
      {(fault ?? trouble) && (
        <div className="zh-error" role="alert">
          {(fault ?? trouble)?.split('\n').map((line) => (
            <p key={line} className="mb-1">
              {line}
            </p>
          ))}
        </div>
      )}
      {looked && (
        <>
          <p role="status">
            <strong className="zh-figure">{fresh}</strong> new,{' '}
            <strong className="zh-figure">{countOf(lines, 'same')}</strong> the same,{' '}
            <strong className="zh-figure">{countOf(lines, 'conflict')}</strong> said otherwise here.
            {looked.plan.unknown.length > 0 &&
              ` Columns that are not known stay out: ${looked.plan.unknown.join(', ')}.`}
          </p>
          <Conflicts
            lines={lines.filter(({ state }) => state === 'conflict')}
            take={take}
            onTake={onTake}
          />
          {brought === null ? (
            <Button
              disabled={busy || fresh + take.size === 0}
              onClick={() => send([{ text: looked.text, take: [...take] }], setBrought)}
            >
              Bring in {fresh + take.size} figures
            </Button>
          ) : (
            <p role="status">
              <strong>Brought in: {brought} figures.</strong> Vehicles keep those that they have.
              {brought < fresh + take.size &&
                ` ${fresh + take.size - brought} were changed here meanwhile, and stay: look through the file again.`}
            </p>
          )}
        </>
      )}
    </details>
  );
}
