'use client';

import { useEffect, useState } from 'react';
import { NOT_HELD } from '@/workers/offline/held';
import { FileLink } from '../Link';
import { sayTime } from '../sayTime';
import { heldPages, type HeldPage } from './heldPage';

/** Pages that belong together: those of one job by its plate, the others as the shop’s. */
interface Group {
  readonly name: string;
  readonly pages: readonly HeldPage[];
}

/** The job that a page is of; empty for one of the shop. */
const jobOf = ({ path }: HeldPage): string => /^\/jobs\/([0-9a-f-]{36})/.exec(path)?.[1] ?? '';
/** A title is the page’s own, then what it is of, then the program’s name. */
const partsOf = ({ title }: HeldPage): string[] => title.split(' · ').slice(0, -1);

/** The jobs that were at hand last first, each with its pages in the order of work. */
export function grouped(pages: readonly HeldPage[]): Group[] {
  const inOrder = pages.filter(({ path }) => path !== NOT_HELD).sort((p, q) => p.at - q.at);
  const jobs = [...new Set(inOrder.map(jobOf))].reverse();
  return jobs.map((job) => {
    const own = inOrder.filter((page) => jobOf(page) === job);
    return { name: job === '' ? 'The shop' : (partsOf(own[0]!)[1] ?? 'A job'), pages: own };
  });
}

/** The pages that this screen holds, as plain ways there: the server is away. */
export function HeldList() {
  const [groups, setGroups] = useState<readonly Group[] | null>(null);
  useEffect(() => {
    const show = (pages: readonly HeldPage[]): void => setGroups(grouped(pages));
    heldPages().then(show, () => show([]));
  }, []);
  if (groups === null) return null;
  if (groups.length === 0) return <p>This screen holds no page.</p>;
  return groups.map(({ name, pages }) => (
    <section key={name} className="zh-card mb-3">
      <h2>
        {name} <span className="zh-muted">of {sayTime(pages[0]!.at)}</span>
      </h2>
      <ul className="list-unstyled d-flex flex-wrap gap-1 mb-0">
        {pages.map((page) => (
          <li key={page.path}>
            <FileLink variant="outline-secondary" href={page.path}>
              {partsOf(page)[0] ?? (page.path === '/' ? 'Start' : page.path)}
            </FileLink>
          </li>
        ))}
      </ul>
    </section>
  ));
}
