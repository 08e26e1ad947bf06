'use client';

import { format } from 'date-fns';
import { useEffect, useState } from 'react';
import { NOT_HELD } from '@/workers/offline/held';
import { heldPages, type HeldPage } from './heldPage';

/** The pages that this screen holds, as plain ways there: the server is away. */
export function HeldList() {
  const [pages, setPages] = useState<readonly HeldPage[] | null>(null);
  useEffect(() => void heldPages().then(setPages, () => setPages([])), []);
  if (pages === null) return null;
  const others = pages.filter(({ path }) => path !== NOT_HELD);
  if (others.length === 0) return <p>This screen holds no page.</p>;
  return (
    <ul>
      {others.map(({ path, title, at }) => (
        <li key={path}>
          <a className="zh-link" href={path}>
            {title.replace(/ · Zesty Hound$/, '') || path}
          </a>{' '}
          <span className="zh-muted">of {format(at, 'd MMM, HH:mm')}</span>
        </li>
      ))}
    </ul>
  );
}
