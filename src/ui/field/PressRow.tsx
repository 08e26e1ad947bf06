'use client';

import { Button } from 'react-bootstrap';

interface PressRowProps<Value extends string | number> {
  /** What is chosen, to a screen reader. */
  readonly label: string;
  readonly choices: readonly { readonly value: Value; readonly label: string }[];
  /** The one that is pressed; null while none is, undefined where a press is done with at once. */
  readonly value: Value | null | undefined;
  readonly onPress: (value: Value) => void;
  readonly disabled?: boolean;
  readonly isFigure?: boolean;
  readonly className?: string;
}

/** Buttons beside each other, one of them pressed: what is chosen is seen and heard. */
export const PressRow = <Value extends string | number>({
  label,
  choices,
  value,
  onPress,
  disabled = false,
  isFigure = false,
  className = '',
}: PressRowProps<Value>) => (
  <div className={`zh-tabs ${className}`.trim()} role="group" aria-label={label}>
    {choices.map((choice) => (
      <Button
        key={choice.value}
        variant="outline-secondary"
        className={isFigure ? 'zh-figure' : ''}
        disabled={disabled}
        aria-pressed={value === undefined ? undefined : value === choice.value}
        onClick={() => onPress(choice.value)}
      >
        {choice.label}
      </Button>
    ))}
  </div>
);
