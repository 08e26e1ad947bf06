'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { CORNER_NAME } from '@/core/readings';
import type { RepairView } from '@/server/decide/repairsView';
import { FormField, useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';

/** What shows that one source was put right: what was read or felt, and whether it does. */
function RepairProof({ jobId, repair }: { jobId: string; repair: RepairView }) {
  const { send, busy, trouble, fields } = useSend(keepCheck);
  const [text, setText] = useState('');
  const { standing, place, code, name, proof } = repair;
  const stands = standing?.proof ?? null;
  const write = (value: 'shown' | 'not-shown' | null): void =>
    send([
      {
        ...{ jobId, kind: 'prove', place, item: code, value },
        ...{ note: value && text.trim(), seen: stands?.stamp ?? null },
      },
      'by-writer',
    ]);
  return (
    <li>
      <strong>
        {name}
        {place === '' ? '' : `, ${CORNER_NAME[place]}`}
      </strong>
      <div>{proof}</div>
      {stands ? (
        <p className="zh-row mb-0">
          <span>
            {stands.isShown ? 'Shown' : 'Not shown'}: <strong>{stands.say}</strong>
          </span>
          <Button variant="link" disabled={busy} onClick={() => write(null)}>
            Look again
          </Button>
        </p>
      ) : (
        <>
          <FormField
            label="What was read or felt"
            error={fields.note ?? trouble ?? undefined}
            control={(ids) => (
              <Form.Control
                autoComplete="off"
                value={text}
                onChange={({ target }) => setText(target.value)}
                {...ids}
              />
            )}
          />
          <div className="d-flex flex-wrap gap-2">
            <Button
              variant="outline-secondary"
              disabled={busy || text.trim() === ''}
              onClick={() => write('shown')}
              aria-label={`It shows it: ${name}`}
            >
              It shows it
            </Button>
            <Button
              variant="outline-secondary"
              disabled={busy || text.trim() === ''}
              onClick={() => write('not-shown')}
              aria-label={`It does not: ${name}`}
            >
              It does not
            </Button>
          </div>
        </>
      )}
    </li>
  );
}

/** Every source that was put right here and is shown by hand: a reading, a spin, a look. */
export function RepairProofs({
  jobId,
  repairs,
}: {
  readonly jobId: string;
  readonly repairs: readonly RepairView[];
}) {
  const asked = repairs.filter(
    ({ shownBy, standing }) => shownBy === 'hand' && (standing?.did ?? null) !== null,
  );
  if (asked.length === 0) return null;
  return (
    <section className="zh-card mb-3" aria-label="What shows it">
      <h2>What shows that it is put right</h2>
      <ul className="list-unstyled d-grid gap-3 mb-0">
        {asked.map((repair) => (
          <RepairProof
            key={`${repair.place} ${repair.code} ${repair.standing?.proof?.stamp ?? ''}`}
            {...{ jobId, repair }}
          />
        ))}
      </ul>
    </section>
  );
}
