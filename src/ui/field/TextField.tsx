'use client';

import { Form } from 'react-bootstrap';
import { FormField } from './FormField';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly hint?: string;
  readonly error?: string | undefined;
  /** Figures bring up the keys for figures. */
  readonly isFigure?: boolean;
}

/** One line of text or a figure that the page itself holds, with its hint and what is wrong. */
export function TextField({ label, value, onChange, hint, error, isFigure }: TextFieldProps) {
  return (
    <FormField
      label={label}
      hint={hint}
      error={error}
      control={(ids) => (
        <Form.Control
          autoComplete="off"
          inputMode={isFigure ? 'decimal' : undefined}
          {...ids}
          value={value}
          onChange={({ target }) => onChange(target.value)}
        />
      )}
    />
  );
}
