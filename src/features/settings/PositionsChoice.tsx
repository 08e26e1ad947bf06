'use client';

import { useState, useTransition } from 'react';
import { Form } from 'react-bootstrap';
import { FormField } from '@/ui/field';
import { choosePositionsAction } from './actions';

/** How many positions the shop's new sets begin with; empty for what is recommended. */
export function PositionsChoice({ positions }: { readonly positions: number | null }) {
  const [text, setText] = useState(positions === null ? '' : String(positions));
  const [said, setSaid] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | undefined>(undefined);
  const [busy, begin] = useTransition();
  const save = (): void =>
    begin(async () => {
      const answer = await choosePositionsAction(text.trim() === '' ? null : Number(text));
      setTrouble(answer.ok ? undefined : answer.message);
      setSaid(answer.ok ? 'Kept.' : null);
    });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <FormField
        label="Positions of a new set"
        hint="Empty: 12, as recommended. Uneven nut torque asks for more on its own."
        error={trouble}
        control={(ids) => (
          <div className="d-flex gap-2">
            <Form.Control
              {...ids}
              className="zh-pulled"
              inputMode="numeric"
              autoComplete="off"
              value={text}
              onChange={({ target }) => setText(target.value)}
            />
            <button className="btn btn-outline-secondary" disabled={busy}>
              Keep
            </button>
          </div>
        )}
      />
      {said && <p role="status">{said}</p>}
    </form>
  );
}
