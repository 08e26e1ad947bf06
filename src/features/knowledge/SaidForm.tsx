'use client';

import { Button } from 'react-bootstrap';
import { useState, type ReactNode } from 'react';
import { useSend } from '@/ui/field';
import { writeKnowledge, type KnowledgeChange } from './writes';

interface SaidFormProps {
  readonly what: KnowledgeChange;
  readonly label: string;
  readonly isQuiet?: boolean;
  readonly className?: string;
  readonly children?: ReactNode;
}

/** A form of the knowledge whose one button says what became of it. */
export function SaidForm({ what, label, isQuiet = false, className, children }: SaidFormProps) {
  const { send, busy, trouble } = useSend(writeKnowledge);
  const [said, setSaid] = useState('');
  return (
    <form
      className={className}
      onSubmit={(event) => {
        event.preventDefault();
        const entries = [...new FormData(event.currentTarget)];
        const fields = Object.fromEntries(
          entries.map(([name, value]) => [name, typeof value === 'string' ? value : '']),
        );
        setSaid('');
        send([what, fields], () => setSaid('Kept.'));
      }}
    >
      {children}
      <Button type="submit" variant={isQuiet ? 'outline-secondary' : 'primary'} disabled={busy}>
        {busy ? 'Keeping …' : label}
      </Button>{' '}
      <span role="status" className={trouble ? 'zh-error' : 'zh-muted'}>
        {trouble ?? said}
      </span>
    </form>
  );
}
