'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormField } from '@/ui/field';
import { giveSecrets } from './requests';
import { useAsk } from './useAsk';
import styles from './access.module.css';

interface Signer {
  readonly id: string;
  readonly name: string;
  readonly isLead: boolean;
  readonly hasPin: boolean;
  readonly hasPassword: boolean;
}

const SORTS = {
  pin: { label: 'PIN, six digits or more', inputMode: 'numeric' },
  password: { label: 'Password, twelve characters or more', inputMode: 'text' },
} as const;

/** One thing to sign in with: typed blind, kept hashed. */
function Give({ person, sort }: { readonly person: Signer; readonly sort: keyof typeof SORTS }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [isKept, setKept] = useState(false);
  const { send, busy, trouble, fields } = useAsk(giveSecrets);
  const { label, inputMode } = SORTS[sort];
  return (
    <form
      className={styles.give}
      onSubmit={(event) => {
        event.preventDefault();
        setKept(false);
        send([{ person: person.id, [sort]: text }], () => {
          setText('');
          setKept(true);
          router.refresh();
        });
      }}
    >
      <FormField
        label={label}
        error={fields[sort] ?? trouble}
        control={(ids) => (
          <Form.Control
            type="password"
            autoComplete="new-password"
            inputMode={inputMode}
            {...ids}
            value={text}
            onChange={({ target }) => setText(target.value)}
          />
        )}
      />
      <Button
        type="submit"
        variant="outline-secondary"
        className="mb-3"
        disabled={busy || text === ''}
      >
        Keep
        <span className="visually-hidden">
          : {SORTS[sort].label} of {person.name}
        </span>
      </Button>
      {isKept && (
        <span className="zh-muted mb-3" role="status">
          Kept.
        </span>
      )}
    </form>
  );
}

const sayHas = ({ isLead, hasPin, hasPassword }: Signer): string =>
  [
    hasPin ? 'PIN' : 'no PIN yet',
    ...(isLead ? [hasPassword ? 'password' : 'no password yet'] : []),
  ].join(', ');

/** What everybody signs in with on the network; nobody sees what it is. */
export function SecretBook({ people }: { readonly people: readonly Signer[] }) {
  return people.map((person) => (
    <details key={person.id}>
      <summary className="zh-fold">
        {person.name}: {sayHas(person)}
      </summary>
      <Give person={person} sort="pin" />
      {person.isLead && <Give person={person} sort="password" />}
    </details>
  ));
}
