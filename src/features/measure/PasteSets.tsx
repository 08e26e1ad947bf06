'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { LONGEST_TABLE } from '@/core/exchange';
import { KIND_NAME, type BenchCorner, type BenchSet } from './model';
import { mountingName } from './mountingName';
import { writeTable } from './writes';
import lists from '@/ui/shell/lists.module.css';

interface PasteSetsProps {
  readonly corner: BenchCorner;
  readonly onImported: (ids: readonly string[]) => void;
}

const KINDS = ['runout', 'thickness', 'hub'] as const;

/** Readings pasted from a spreadsheet, or a CSV file of them, become new sets. */
export function PasteSets({ corner, onImported }: PasteSetsProps) {
  const [text, setText] = useState('');
  const [kind, setKind] = useState<BenchSet['kind']>('runout');
  const [shift, setShift] = useState(0);
  const [tooLong, setTooLong] = useState(false);
  const { send, busy, trouble, clear } = useSend(writeTable);
  const message = tooLong ? 'That file is too long for readings.' : trouble;
  const put = (): void => {
    const { jobId, phase } = corner;
    const own = { kind, shift, face: 'outboard' as const, text };
    send([{ jobId, phase, corner: corner.corner, ...own }], (ids) => {
      setText('');
      onImported(ids);
    });
  };
  return (
    <details className="mt-2">
      <summary className="py-2">Paste readings, or open a CSV file</summary>
      <p className="zh-muted">
        One row a reading. Columns, by name in the first row: set, kind, face, circle, shift, lap,
        position (“close” for the closing reading), angle_deg, value_mm. Only the value is needed;
        its unit stands in its name. A bare column of figures is one lap.
      </p>
      <Form.Group controlId="paste-sets">
        <Form.Label>Readings</Form.Label>
        <Form.Control
          as="textarea"
          rows={6}
          value={text}
          isInvalid={message !== null}
          aria-invalid={message !== null}
          onChange={(event) => {
            setText(event.target.value);
            setTooLong(false);
            clear();
          }}
        />
        {message && (
          <div className="zh-error" role="alert">
            {message}
          </div>
        )}
      </Form.Group>
      <Form.Group controlId="paste-file" className="mt-2">
        <Form.Label>or a file</Form.Label>
        <Form.Control
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          onChange={(event) => {
            const file = (event.target as HTMLInputElement).files?.[0];
            if (!file) return;
            setTooLong(file.size > LONGEST_TABLE);
            if (file.size <= LONGEST_TABLE) void file.text().then(setText);
          }}
        />
      </Form.Group>
      <div className={`${lists.pair} mt-2`}>
        <Form.Group controlId="paste-kind">
          <Form.Label>Where it does not say, it is</Form.Label>
          <Form.Select
            value={kind}
            onChange={(event) =>
              setKind(KINDS.find((each) => each === event.target.value) ?? 'runout')
            }
          >
            {KINDS.map((each) => (
              <option key={each} value={each}>
                {KIND_NAME[each]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="paste-shift">
          <Form.Label>with the rotor</Form.Label>
          <Form.Select value={shift} onChange={(event) => setShift(Number(event.target.value))}>
            {Array.from({ length: corner.studs }, (_, each) => (
              <option key={each} value={each}>
                {mountingName(corner, each)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <Button
        type="button"
        variant="primary"
        className="mt-2"
        disabled={busy || text.trim() === ''}
        onClick={put}
      >
        {busy ? 'Putting on file …' : 'Put on file as new sets'}
      </Button>
    </details>
  );
}
