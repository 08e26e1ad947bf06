'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormField, useSend } from '@/ui/field';
import { writePositions } from './writes';
import picks from '@/ui/shell/picks.module.css';

/** How many positions the shop's new sets begin with; empty for what is recommended. */
export function PositionsChoice({ positions }: { readonly positions: number | null }) {
  const [text, setText] = useState(positions === null ? '' : String(positions));
  const [said, setSaid] = useState<string | null>(null);
  const { send, busy, trouble } = useSend(writePositions);
  const save = (): void => {
    setSaid(null);
    send([text.trim() === '' ? null : Number(text)], () => setSaid('Kept.'));
  };
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
        error={trouble ?? undefined}
        control={(ids) => (
          <div className="d-flex gap-2">
            <Form.Control
              {...ids}
              className={picks.pulled}
              inputMode="numeric"
              autoComplete="off"
              value={text}
              onChange={({ target }) => setText(target.value)}
            />
            <Button type="submit" variant="outline-secondary" disabled={busy}>
              Keep
            </Button>
          </div>
        )}
      />
      {said && <p role="status">{said}</p>}
    </form>
  );
}
