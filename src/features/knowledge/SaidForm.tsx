'use client';

import { useActionState, type ReactNode } from 'react';
import type { Said } from './actions';

interface SaidFormProps {
  readonly action: (before: Said | null, form: FormData) => Promise<Said>;
  readonly label: string;
  readonly children: ReactNode;
}

/** A form that says at its button what became of it. */
export function SaidForm({ action, label, children }: SaidFormProps) {
  const [said, submit, pending] = useActionState(action, null);
  return (
    <form action={submit} noValidate>
      {children}
      <button className="btn btn-primary" disabled={pending}>
        {pending ? 'Keeping …' : label}
      </button>{' '}
      <span role="status" className={said && !said.ok ? 'zh-error' : undefined}>
        {said?.words}
      </span>
    </form>
  );
}
