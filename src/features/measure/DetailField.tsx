'use client';

import { useState } from 'react';
import type { UnitSystem } from '@/core/units';
import { TextField } from '@/ui/field';
import { detailSign, detailText, readDetail, type Detail } from './detail';

interface DetailFieldProps {
  readonly detail: Detail;
  readonly label: string;
  readonly value: number | null;
  readonly units: UnitSystem;
  /** Keeps the figure; answers what is wrong with it, if anything. */
  readonly onLeave: (value: number | null) => Promise<string | null>;
}

/** One figure of a set’s circumstances; kept when the field is left. */
export function DetailField({ detail, label, value, units, onLeave }: DetailFieldProps) {
  const shown = detailText(detail, value, units);
  const [text, setText] = useState(shown);
  const [message, setMessage] = useState<string | null>(null);
  const leave = async (): Promise<void> => {
    if (text === shown) return;
    const read = readDetail(detail, text, units);
    setMessage('message' in read ? read.message : await onLeave(read.value));
  };
  return (
    <div onBlur={() => void leave()}>
      <TextField
        label={`${label} (${detailSign(detail, units)})`}
        value={text}
        error={message ?? undefined}
        isFigure
        onChange={setText}
      />
    </div>
  );
}
