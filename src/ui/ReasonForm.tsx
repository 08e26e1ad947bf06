'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import picks from '@/ui/shell/picks.module.css';

interface ReasonFormProps {
  readonly label: string;
  readonly placeholder: string;
  readonly button: string;
  readonly isPrimary?: boolean;
  /** Waits to be chosen: it does not take the focus when it appears. */
  readonly isCalm?: boolean;
  readonly onGive: (reason: string) => void;
}

/** One line that says why or what, with the button that gives it; empty gives nothing. */
export function ReasonForm(props: ReasonFormProps) {
  const { label, placeholder, button, isPrimary = false, isCalm = false, onGive } = props;
  const [reason, setReason] = useState('');
  const isEmpty = reason.trim() === '';
  return (
    <form
      className="zh-row justify-content-start my-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isEmpty) onGive(reason);
      }}
    >
      <Form.Control
        className={picks.name}
        aria-label={label}
        placeholder={placeholder}
        autoComplete="off"
        autoFocus={!isCalm}
        value={reason}
        onChange={({ target }) => setReason(target.value)}
      />
      <Button
        type="submit"
        variant={isPrimary ? 'primary' : 'outline-secondary'}
        disabled={isEmpty}
      >
        {button}
      </Button>
    </form>
  );
}
