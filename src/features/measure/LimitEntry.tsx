'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { LimitForm } from '@/core/contracts';
import { fieldUnit, UNIT_SIGN, type LengthRole } from '@/core/units';
import { TextField, useSend } from '@/ui/field';
import { useRefresh, useTypedBefore } from '@/ui/keeper';
import type { BenchCorner } from './model';
import { limitPlace, writeLimit } from './writes';
import styles from './measure.module.css';

interface LimitEntryProps {
  readonly corner: BenchCorner;
  readonly kind: LimitForm['kind'];
  readonly label: string;
  readonly role: LengthRole;
  readonly source: LimitForm['source'];
}

const entryId = (kind: LimitForm['kind']): string => `limit-entry-${kind}`;

/** Goes to the field of a figure that is missing, where it stands on the page. */
export const focusLimit = (kind: LimitForm['kind']): void =>
  document.querySelector<HTMLInputElement>(`#${entryId(kind)} input`)?.focus();

/** A figure of the axle that nobody has entered yet, typed where it is first needed. */
export function LimitEntry(props: LimitEntryProps) {
  const { jobId, corner } = props.corner;
  const before = useTypedBefore<LimitForm>(limitPlace({ jobId, corner, kind: props.kind }));
  return <LimitField key={before?.id ?? ''} typed={before?.input.text ?? ''} {...props} />;
}

function LimitField({
  corner,
  kind,
  label,
  role,
  source,
  typed,
}: LimitEntryProps & { readonly typed: string }) {
  const [text, setText] = useState(typed);
  const { refresh } = useRefresh();
  const { send, busy, trouble, fields } = useSend(writeLimit);
  const give = (): void => {
    if (text.trim() === '') return;
    const { jobId, corner: at } = corner;
    send([{ jobId, corner: at, kind, text, source }], () => refresh());
  };
  return (
    <form
      id={entryId(kind)}
      className={styles.limitEntry}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        give();
      }}
    >
      <TextField
        label={`${label} (${UNIT_SIGN[fieldUnit(corner.units, role)]})`}
        error={fields.text ?? trouble ?? undefined}
        isFigure
        value={text}
        onChange={setText}
      />
      <Button type="submit" variant="outline-secondary" disabled={busy || text.trim() === ''}>
        Keep
      </Button>
    </form>
  );
}
