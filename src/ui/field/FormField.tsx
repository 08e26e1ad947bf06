import { useId, type ReactElement } from 'react';
import { Form } from 'react-bootstrap';

interface FormFieldProps {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string;
  /** Draws the control with the ids that tie label, hint and message to it. */
  readonly control: (ids: {
    readonly id: string;
    readonly 'aria-describedby': string;
    readonly isInvalid: boolean;
    /** Said to who cannot see the red. */
    readonly 'aria-invalid': boolean;
  }) => ReactElement;
}

/** A labelled control with its hint and, below it, what is wrong and what to do. */
export function FormField({ label, error, hint, control }: FormFieldProps) {
  const id = useId();
  return (
    <div className="mb-3">
      <Form.Label htmlFor={id}>{label}</Form.Label>
      {control({
        id,
        'aria-describedby': `${id}-note`,
        isInvalid: error !== undefined,
        'aria-invalid': error !== undefined,
      })}
      <div id={`${id}-note`}>
        {error && <div className="zh-error">{error}</div>}
        {hint && <Form.Text>{hint}</Form.Text>}
      </div>
    </div>
  );
}
