'use client';

import Link from '@/ui/Link';
import { usePathname } from 'next/navigation';

interface Place {
  readonly href: string;
  readonly label: string;
  readonly isWideOnly?: boolean;
  readonly under?: readonly string[];
}

const PLACES = [
  { href: '/', label: 'Jobs', under: ['/jobs'] },
  { href: '/find', label: 'Find', isWideOnly: true },
  { href: '/due', label: 'Due', isWideOnly: true },
  { href: '/insights', label: 'Insights', isWideOnly: true },
  { href: '/vehicles', label: 'Vehicles', under: ['/vehicles', '/models'] },
  { href: '/knowledge', label: 'Knowledge' },
  { href: '/workshop', label: 'Workshop' },
] as const satisfies readonly Place[];

/** Whether a page belongs to a place: it lies under its address, or under one of its others. */
const isHere = (path: string, { href, under = [href] }: Place): boolean =>
  path === href || under.some((each) => path.startsWith(each));

/** The main places of the application. */
export function HeaderNav() {
  const path = usePathname();
  return (
    <nav aria-label="Main" className="d-flex">
      {PLACES.map((place: Place) => (
        <Link
          key={place.href}
          href={place.href}
          // On a phone the start page leads there.
          className={place.isWideOnly ? 'd-none d-md-flex' : undefined}
          aria-current={isHere(path, place) ? 'page' : undefined}
        >
          {place.label}
        </Link>
      ))}
    </nav>
  );
}
