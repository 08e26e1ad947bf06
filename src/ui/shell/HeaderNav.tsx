'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';

const PLACES = [
  { href: '/', label: 'Jobs' },
  { href: '/vehicles', label: 'Vehicles' },
  { href: '/knowledge', label: 'Knowledge' },
  { href: '/workshop', label: 'Workshop' },
] as const;

const isHere = (path: string, href: string): boolean =>
  href === '/' ? path === '/' || path.startsWith('/jobs') : path.startsWith(href);

/** The main places of the application. */
export function HeaderNav() {
  const path = usePathname();
  return (
    <nav aria-label="Main" className="d-flex">
      {PLACES.map(({ href, label }) => (
        <Link key={href} href={href} aria-current={isHere(path, href) ? 'page' : undefined}>
          {label}
        </Link>
      ))}
    </nav>
  );
}
