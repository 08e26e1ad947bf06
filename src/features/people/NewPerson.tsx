'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { ROLES, type Role } from './roles';
import { writePerson } from './writes';
import picks from '@/ui/shell/picks.module.css';

/** A new name, for a shop that has none yet or one more. */
export function NewPerson({
  isFirst,
  onDone,
}: {
  readonly isFirst: boolean;
  /** Is told the id of who is on file now. */
  readonly onDone?: (id: string) => void;
}) {
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>(isFirst ? 'lead' : 'technician');
  const { send, busy, trouble } = useSend(writePerson);
  const add = (): void =>
    send([{ name, role }], (id) => {
      setName('');
      onDone?.(id);
    });
  return (
    <form
      className="d-flex flex-wrap gap-2 align-items-center"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <Form.Control
        className={picks.name}
        aria-label="Name"
        placeholder="Name"
        autoComplete="off"
        value={name}
        isInvalid={trouble !== null}
        aria-invalid={trouble !== null}
        onChange={({ target }) => setName(target.value)}
      />
      <Form.Select
        className="w-auto"
        aria-label="Role"
        value={role}
        onChange={({ target }) =>
          setRole(ROLES.find(([code]) => code === target.value)?.[0] ?? 'technician')
        }
      >
        {ROLES.map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </Form.Select>
      <Button type="submit" variant="primary" disabled={busy}>
        Add
      </Button>
      {trouble && <span className="zh-error">{trouble}</span>}
    </form>
  );
}
