'use client';

import { useEffect, useState } from 'react';
import { whenSignedOut } from './sure';

/** Where to sign in, and back to where somebody was. */
export const signInAt = (path: string): string => `/sign-in?to=${encodeURIComponent(path)}`;

/** Says that nobody is signed in at this screen any more: what is typed waits here meanwhile. */
export function SignedOut() {
  const [back, setBack] = useState<string | null>(null);
  useEffect(
    () => whenSignedOut(() => setBack(window.location.pathname + window.location.search)),
    [],
  );
  if (back === null) return null;
  return (
    <p className="zh-stop zh-no-print" role="alert">
      Nobody is signed in at this screen any more. What is typed waits here.{' '}
      <a className="zh-link" href={signInAt(back)}>
        Sign in
      </a>
    </p>
  );
}
