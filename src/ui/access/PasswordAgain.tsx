'use client';

import { useEffect, useId, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { ask } from '../ask';
import { SecretField } from '../field/SecretField';
import { setPasswordAsker } from './sure';

/** Asks whoever is signed in for the password once more, over the page that wants it. */
export function PasswordAgain({ name }: { readonly name: string }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const answer = useRef<(isGiven: boolean) => void>(() => undefined);
  const [password, setPassword] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const title = useId();
  useEffect(
    () =>
      setPasswordAsker(() => {
        setPassword('');
        setTrouble(undefined);
        dialog.current?.showModal();
        return new Promise<boolean>((resolve) => (answer.current = resolve));
      }),
    [],
  );
  const give = async (): Promise<void> => {
    setBusy(true);
    const given = await ask<null>('/api/v1/session', { method: 'PUT', body: { password } });
    setBusy(false);
    setPassword('');
    if (!given.ok) return setTrouble(given.message);
    answer.current(true);
    dialog.current?.close();
  };
  return (
    <dialog
      ref={dialog}
      className="zh-card"
      aria-labelledby={title}
      onClose={() => answer.current(false)}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void give();
        }}
      >
        <h2 id={title}>Password of {name}</h2>
        <p>A lead alone does this. It counts for ten minutes at this screen.</p>
        <SecretField label="Password" value={password} onChange={setPassword} error={trouble} />
        <div className="d-flex flex-wrap gap-2 mt-3">
          <Button type="submit" disabled={busy || password === ''}>
            Go on
          </Button>
          <Button variant="outline-secondary" onClick={() => dialog.current?.close()}>
            Leave it
          </Button>
        </div>
      </form>
    </dialog>
  );
}
