'use client';

import Link from '@/ui/Link';
import { usePathname } from 'next/navigation';
import type { FocusEvent, KeyboardEvent } from 'react';
import shell from './shell.module.css';

interface Place {
  readonly href: string;
  readonly label: string;
  /** Stands under “More” where the screen is narrow. */
  readonly isWideOnly?: boolean;
  readonly under?: readonly string[];
}

const PLACES: readonly Place[] = [
  { href: '/', label: 'Jobs', under: ['/jobs', '/checks'] },
  { href: '/find', label: 'Find', isWideOnly: true },
  { href: '/due', label: 'Due', isWideOnly: true },
  { href: '/insights', label: 'Insights', isWideOnly: true },
  { href: '/vehicles', label: 'Vehicles', under: ['/vehicles', '/models'] },
  { href: '/knowledge', label: 'Knowledge', isWideOnly: true },
  { href: '/practice', label: 'Practice', isWideOnly: true },
  { href: '/workshop', label: 'Workshop', isWideOnly: true },
  { href: '/guide', label: 'Guide', isWideOnly: true },
];

/** Whether a page belongs to a place: it lies under its address, or under one of its others. */
const isHere = (path: string, { href, under = [href] }: Place): boolean =>
  path === href || under.some((each) => path.startsWith(each));

function PlaceLink({ place, path }: { readonly place: Place; readonly path: string }) {
  return (
    <Link
      href={place.href}
      data-wide={place.isWideOnly || undefined}
      aria-current={isHere(path, place) ? 'page' : undefined}
    >
      {place.label}
    </Link>
  );
}

/** Folds the list up when the focus goes elsewhere, by Escape too; a touch on a place may take the focus nowhere. */
const fold = {
  onBlur: ({ currentTarget, relatedTarget }: FocusEvent<HTMLDetailsElement>): void => {
    if (relatedTarget && !currentTarget.contains(relatedTarget)) currentTarget.open = false;
  },
  onKeyDown: ({ key, currentTarget }: KeyboardEvent<HTMLDetailsElement>): void => {
    if (key === 'Escape') currentTarget.open = false;
  },
};

/** The main places of the application. */
export function HeaderNav() {
  const path = usePathname();
  return (
    <nav aria-label="Main" className="d-flex">
      {PLACES.map((place) => (
        <PlaceLink key={place.href} {...{ place, path }} />
      ))}
      {/* Folded up anew on the next page. */}
      <details key={path} className={shell.menu} {...fold}>
        <summary>More</summary>
        <div>
          {PLACES.filter(({ isWideOnly }) => isWideOnly).map((place) => (
            <PlaceLink key={place.href} {...{ place, path }} />
          ))}
        </div>
      </details>
    </nav>
  );
}
