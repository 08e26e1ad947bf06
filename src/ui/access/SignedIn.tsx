'use client';

import { usePathname } from 'next/navigation';
import { ButtonLink } from '../Link';
import { signInAt } from './SignedOut';

/** Who is signed in at this screen; a touch goes to where another takes over. */
export function SignedIn({ name }: { readonly name: string }) {
  const path = usePathname();
  return (
    <ButtonLink
      variant="outline-secondary"
      href={path.startsWith('/sign-in') ? path : signInAt(path)}
    >
      {name}
      <span className="visually-hidden">: another takes over</span>
    </ButtonLink>
  );
}
