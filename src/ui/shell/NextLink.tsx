'use client';

import Link from '@/ui/Link';
import { useEffect, useRef, type ReactNode } from 'react';

/** The link to the next thing: takes the focus when it appears, so that Enter goes on. */
export function NextLink({ href, children }: { href: string; children: ReactNode }) {
  const link = useRef<HTMLAnchorElement>(null);
  useEffect(() => link.current?.focus({ preventScroll: true }), []);
  return (
    <Link ref={link} className="btn btn-primary" href={href}>
      {children}
    </Link>
  );
}
