'use client';

import { useEffect, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormField } from '@/ui/field';
import { forgetPages } from '@/ui/offline';
import { LONGEST_PASSWORD } from '@/core/access';
import { signIn } from './requests';
import { useAsk } from './useAsk';
import styles from './access.module.css';

interface Named {
  readonly id: string;
  readonly name: string;
}

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'];

/** Digits for gloves; a lead types a password by the keys of the screen. */
function DigitPad({ onPress }: { readonly onPress: (change: (text: string) => string) => void }) {
  return (
    <div className={styles.pad} role="group" aria-label="Digits">
      {DIGITS.map((digit) => (
        <Button
          key={digit}
          variant="outline-secondary"
          onClick={() => onPress((text) => text + digit)}
        >
          {digit}
        </Button>
      ))}
      <Button
        variant="outline-secondary"
        className={styles.back}
        onClick={() => onPress((text) => text.slice(0, -1))}
      >
        Back
      </Button>
    </div>
  );
}

/** The PIN of one person. */
function PinForm({ person, to }: { readonly person: Named; readonly to: string }) {
  const [secret, setSecret] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const { send, busy, trouble } = useAsk(signIn);
  useEffect(() => field.current?.focus(), []);
  return (
    <form
      className={`zh-card ${styles.pin}`}
      onSubmit={(event) => {
        event.preventDefault();
        send(
          [person.id, secret],
          () => void forgetPages().finally(() => window.location.assign(to)),
        );
      }}
    >
      <FormField
        label={`PIN of ${person.name}, or the password of a lead`}
        error={trouble}
        control={(ids) => (
          <Form.Control
            ref={field}
            className={styles.secret}
            type="password"
            autoComplete="off"
            maxLength={LONGEST_PASSWORD}
            {...ids}
            value={secret}
            onChange={({ target }) => setSecret(target.value)}
          />
        )}
      />
      <DigitPad onPress={setSecret} />
      <Button type="submit" className="w-100 mt-2" disabled={busy || secret === ''}>
        Sign in
      </Button>
    </form>
  );
}

/** Who is it? A name, then the PIN: two touches and six digits. */
export function SignInDesk({
  people,
  to,
}: {
  readonly people: readonly Named[];
  /** The page that it goes on with. */
  readonly to: string;
}) {
  const [chosen, setChosen] = useState<Named | null>(null);
  return (
    <>
      <div className={styles.names} role="group" aria-label="Who is here">
        {people.map((person) => (
          <Button
            key={person.id}
            size="lg"
            variant={person.id === chosen?.id ? 'dark' : 'outline-secondary'}
            aria-pressed={person.id === chosen?.id}
            onClick={() => setChosen(person)}
          >
            {person.name}
          </Button>
        ))}
      </div>
      {chosen && <PinForm key={chosen.id} person={chosen} to={to} />}
    </>
  );
}
