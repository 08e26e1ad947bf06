import type { Metadata } from 'next';
import { Here } from '@/app/Here';
import { CopiesDesk } from '@/features/copies/CopiesDesk';
import { keptCopies } from '@/server/records/backup';
import { environment } from '@/server/environment';
import { whoIsHere } from '@/server/web/who';

export const metadata: Metadata = { title: 'Copies' };

export default async function CopiesPage() {
  const isLead = (await whoIsHere())?.role === 'lead';
  return (
    <>
      <h1>Copies</h1>
      <Here />
      {!isLead && (
        <p className="zh-muted">A lead makes copies, takes them along and restores them.</p>
      )}
      {environment().url ? (
        <p className="zh-card">
          The records are in a PostgreSQL server: copy and restore them with its own tools, pg_dump
          and pg_restore.
        </p>
      ) : (
        <CopiesDesk copies={keptCopies()} canRestore={isLead} />
      )}
    </>
  );
}
