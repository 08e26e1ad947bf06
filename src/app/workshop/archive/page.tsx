import { FileLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { Here } from '@/app/Here';
import { ArchiveDesk } from '@/features/archive/ArchiveDesk';
import { TakeArchive } from '@/features/archive/TakeArchive';

export const metadata: Metadata = { title: 'In and out' };

const TABLES = [
  ['/api/v1/jobs.csv', 'All jobs'],
  ['/api/v1/rotors.csv', 'What happened to every rotor'],
  ['/api/v1/readings.csv', 'All readings'],
] as const;

export default function ArchivePage() {
  return (
    <>
      <h1>In and out</h1>
      <Here />
      <section className="zh-card mb-3" aria-labelledby="out">
        <h2 id="out">Out</h2>
        <p>
          Everything on file, photos included, as one JSON document; a lead takes it out. A single
          vehicle or job is taken from its own page.
        </p>
        <TakeArchive />{' '}
        <FileLink variant="outline-secondary" href="/api/v1/archive/schema.json">
          Its JSON Schema
        </FileLink>
        <h3 className="mt-3">For a spreadsheet</h3>
        <ul className="list-unstyled mb-0">
          {TABLES.map(([path, name]) => (
            <li key={path}>
              {name}:{' '}
              <a href={path} download>
                figures with a point
              </a>
              ,{' '}
              <a href={`${path}?decimal=comma`} download>
                with a comma
              </a>
            </li>
          ))}
        </ul>
      </section>
      <section className="zh-card mb-3" aria-labelledby="in">
        <h2 id="in">In</h2>
        <p>
          An archive is looked through first: what is new, what stands here the same, what stands
          here otherwise. Nothing here is ever written over; all of it comes in or nothing. A lead
          brings it in.
        </p>
        <ArchiveDesk />
      </section>
    </>
  );
}
