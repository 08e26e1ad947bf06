'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';

const PLACES = [
  { href: '/', label: 'Jobs' },
  { href: '/find', label: 'Find', isWideOnly: true },
  { href: '/due', label: 'Due', isWideOnly: true },
  { href: '/insights', label: 'Insights', isWideOnly: true },
  { href: '/vehicles', label: 'Vehicles' },
  { href: '/knowledge', label: 'Knowledge' },
  { href: '/workshop', label: 'Workshop' },
] as const satisfies readonly { href: string; label: string; isWideOnly?: boolean }[];

const isHere = (path: string, href: string): boolean =>
  href === '/'
    ? path === '/' || path.startsWith('/jobs')
    : path.startsWith(href) || (href === '/vehicles' && path.startsWith('/models'));

/** The main places of the application. */
export function HeaderNav() {
  const path = usePathname();
  return (
    <nav aria-label="Main" className="d-flex">
      {PLACES.map(({ href, label, ...place }) => (
        <Link
          key={href}
          href={href}
          // On a phone the start page leads there.
          className={'isWideOnly' in place ? 'd-none d-md-flex' : undefined}
          aria-current={isHere(path, href) ? 'page' : undefined}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
