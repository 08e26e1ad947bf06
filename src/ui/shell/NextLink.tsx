'use client';

import { ButtonLink } from '@/ui/Link';
import { useEffect, useRef, type ReactNode } from 'react';

/** The link to the next thing: takes the focus when it appears, so that Enter goes on. */
export function NextLink({ href, children }: { href: string; children: ReactNode }) {
  const link = useRef<HTMLAnchorElement>(null);
  useEffect(() => link.current?.focus({ preventScroll: true }), []);
  return (
    <ButtonLink ref={link} variant="primary" href={href}>
      {children}
    </ButtonLink>
  );
}
