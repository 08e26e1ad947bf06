'use client';

import { Form } from 'react-bootstrap';
import { keepQuickDigits, useQuickDigits } from './quickDigits';

/** Thickness without Enter: for who keys the last two digits of each place and nothing else. */
export function QuickDigitsChoice() {
  const isOn = useQuickDigits();
  return (
    <Form.Check
      id="quick-digits"
      className="mt-2"
      label="Two digits take a thickness by themselves, after the first"
      checked={isOn}
      onChange={(event) => keepQuickDigits(event.target.checked)}
    />
  );
}
