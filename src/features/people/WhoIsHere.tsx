'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { chooseWho } from './requests';
import { ROLES, type Role } from './roles';
import { writePerson } from './writes';
import picks from '@/ui/shell/picks.module.css';

export interface Person {
  readonly id: string;
  readonly name: string;
}

interface WhoIsHereProps {
  readonly people: readonly Person[];
  /** Id of who is at this screen, or null. */
  readonly here: string | null;
  /** Folded to a line, where the work needs the room. */
  readonly isFolded?: boolean;
}

/** A new name, for a shop that has none yet or one more. */
function NewPerson({
  isFirst,
  onDone,
}: {
  readonly isFirst: boolean;
  readonly onDone: () => void;
}) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>(isFirst ? 'lead' : 'technician');
  const { send, busy, trouble } = useSend(writePerson);
  const add = (): void =>
    send([{ name, role }], (id) => {
      void chooseWho(id).then(() => router.refresh());
      onDone();
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

/** Who is at this screen: the name that goes under what is written down here. */
export function WhoIsHere({ isFolded = false, ...who }: WhoIsHereProps) {
  if (!isFolded) return <Names {...who} />;
  const name = who.people.find(({ id }) => id === who.here)?.name;
  return (
    <details className="zh-no-print">
      <summary className="zh-fold">{name ? `Here: ${name}` : 'Who is here?'}</summary>
      <Names {...who} />
    </details>
  );
}

function Names({ people, here }: Omit<WhoIsHereProps, 'isFolded'>) {
  const [isAdding, setAdding] = useState(people.length === 0);
  const router = useRouter();
  const [busy, begin] = useTransition();
  const [trouble, setTrouble] = useState<string | null>(null);
  const choose = (id: string): void =>
    begin(async () => {
      const chosen = await chooseWho(id);
      setTrouble(chosen.ok ? null : chosen.message);
      begin(() => router.refresh());
    });
  return (
    <div className="zh-who zh-no-print" role="group" aria-label="Who is here">
      <span className="zh-muted">Who is here?</span>
      {people.map(({ id, name }) => (
        <Button
          key={id}
          type="button"
          variant={id === here ? 'dark' : 'outline-secondary'}
          aria-pressed={id === here}
          disabled={busy}
          onClick={() => choose(id === here ? '' : id)}
        >
          {name}
        </Button>
      ))}
      {trouble && (
        <span className="zh-error" role="alert">
          {trouble}
        </span>
      )}
      {isAdding ? (
        <NewPerson isFirst={people.length === 0} onDone={() => setAdding(false)} />
      ) : (
        <Button type="button" variant="link" onClick={() => setAdding(true)}>
          Another name
        </Button>
      )}
    </div>
  );
}
