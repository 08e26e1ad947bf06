'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { SecretField } from '@/ui/field';
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

const LABELS = {
  pin: 'PIN, six digits or more',
  password: 'Password, twelve characters or more',
} as const;

/** One thing to sign in with: typed blind, kept hashed. */
function Give({ person, sort }: { readonly person: Signer; readonly sort: keyof typeof LABELS }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [isKept, setKept] = useState(false);
  const { send, busy, trouble, fields } = useAsk(giveSecrets);
  const label = LABELS[sort];
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
      <SecretField
        label={label}
        value={text}
        onChange={setText}
        error={fields[sort] ?? trouble}
        isNew
        isDigits={sort === 'pin'}
      />
      <Button
        type="submit"
        variant="outline-secondary"
        className="mb-3"
        disabled={busy || text === ''}
      >
        Keep
        <span className="visually-hidden">
          : {label} of {person.name}
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
