'use client';

import { Form } from 'react-bootstrap';
import { FormField } from './FormField';

interface SecretFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly error?: string | undefined;
  /** Whether it is a new one, which a browser offers to make and to keep. */
  readonly isNew?: boolean;
  /** Digits bring up the keys for digits. */
  readonly isDigits?: boolean;
}

/** A password or a PIN, typed without being shown. */
export function SecretField({ label, value, onChange, error, isNew, isDigits }: SecretFieldProps) {
  return (
    <FormField
      label={label}
      error={error}
      control={(ids) => (
        <Form.Control
          type="password"
          autoComplete={isNew ? 'new-password' : 'current-password'}
          inputMode={isDigits ? 'numeric' : 'text'}
          {...ids}
          value={value}
          onChange={({ target }) => onChange(target.value)}
        />
      )}
    />
  );
}
