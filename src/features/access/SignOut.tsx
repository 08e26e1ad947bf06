'use client';

import { Button } from 'react-bootstrap';
import { signOut } from './requests';
import { useAsk } from './useAsk';

/** Ends the work of whoever is signed in at this screen. */
export function SignOut({ name }: { readonly name: string }) {
  const { send, busy, trouble } = useAsk(signOut);
  return (
    <p className="mt-4">
      {name} is signed in.{' '}
      <Button
        variant="outline-secondary"
        disabled={busy}
        onClick={() => send([], () => window.location.reload())}
      >
        Sign out
      </Button>
      {trouble && <span className="zh-error"> {trouble}</span>}
    </p>
  );
}
