'use client';

import type { ReactNode } from 'react';
import type { FindingForm } from '@/core/contracts';
import { useSend } from '@/ui/field';
import { writeAside, writeFinding } from './writes';

/** What the button that was pressed and the fields say, by name. */
function valuesOf(form: HTMLFormElement, pressed: HTMLElement | null): Map<string, string> {
  const values = new Map<string, string>();
  for (const [name, value] of new FormData(form)) {
    if (typeof value === 'string' && value !== '') values.set(name, value);
  }
  if (pressed instanceof HTMLButtonElement && pressed.name) values.set(pressed.name, pressed.value);
  return values;
}

interface NoseFormProps {
  readonly jobId: string;
  readonly code: string;
  readonly className?: string;
  readonly children: ReactNode;
}

/** Buttons that answer a check: the pressed one's value, at the corner that is chosen. */
export function AnswerForm({
  jobId,
  code,
  corner = null,
  was,
  className,
  children,
}: NoseFormProps & {
  readonly corner?: FindingForm['corner'];
  /** What stands, where it is taken back. */
  readonly was?: string | undefined;
}) {
  const { send, busy, trouble } = useSend(writeFinding);
  return (
    <form
      className={className}
      onSubmit={(event) => {
        event.preventDefault();
        const { submitter } = event.nativeEvent as SubmitEvent;
        const values = valuesOf(event.currentTarget, submitter);
        const at = (values.get('corner') ?? corner) as FindingForm['corner'];
        send([{ jobId, code, corner: at, value: values.get('value') ?? null, was }]);
      }}
    >
      <fieldset disabled={busy}>{children}</fieldset>
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </form>
  );
}

/** A button that sets a finding aside, or lets it weigh again. */
export function AsideForm({
  jobId,
  code,
  isAside,
  className,
  children,
}: NoseFormProps & { readonly isAside: boolean }) {
  const { send, trouble } = useSend(writeAside);
  return (
    <form
      className={className}
      onSubmit={(event) => {
        event.preventDefault();
        send([{ jobId, code, isAside }]);
      }}
    >
      {children}
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </form>
  );
}
