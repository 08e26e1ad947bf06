'use client';

import { FileField } from '@/ui/field';
import { useBusy } from '@/ui/useBusy';
import { Button, Table } from 'react-bootstrap';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ImportPlan, TablePlan } from '@/server/records/archive';

const TABLE: Readonly<Partial<Record<string, string>>> = {
  axleLimits: 'axle figures',
  torqueFigures: 'torque figures',
  jobCorners: 'corners of jobs',
  readingSets: 'reading sets',
  readingChanges: 'readings written over',
  findingsAside: 'findings set aside',
  trayParts: 'parts in trays',
  photoBlobs: 'pictures',
  roadTests: 'road tests',
  additions: 'additions to closed records',
};

/** Sends an archive; answers with what it brings, or with what is wrong. */
async function send(file: File, isDry: boolean): Promise<ImportPlan | string> {
  try {
    const answer = await fetch(`/api/v1/archive${isDry ? '?dry=1' : ''}`, {
      method: 'POST',
      body: file,
      headers: { 'content-type': 'application/json' },
    });
    const body = (await answer.json()) as ImportPlan & { error?: { message: string } };
    return answer.ok ? body : (body.error?.message ?? 'The server refused it.');
  } catch {
    return 'The server did not answer. Nothing was changed.';
  }
}

/** What an import brings, table by table. */
function Plan({ plan }: { plan: ImportPlan }) {
  const rowsOf = ({ fresh, same, conflicts, leftOut }: TablePlan): number =>
    fresh + same + conflicts.length + leftOut;
  const shown = plan.tables.filter((each) => rowsOf(each) > 0);
  return (
    <Table size="sm" className="mt-2">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">New</th>
          <th scope="col">Same</th>
          <th scope="col">Otherwise here: ours stay</th>
          {!plan.isOwn && <th scope="col">Stays out</th>}
        </tr>
      </thead>
      <tbody>
        {shown.map(({ table, fresh, same, conflicts, renamed, leftOut }) => (
          <tr key={table}>
            <th scope="row">
              {TABLE[table] ?? table}
              {renamed.length > 0 && (
                <div className="fw-normal zh-muted">
                  brought as {renamed.slice(0, 5).join(', ')}
                  {renamed.length > 5 && ` and ${renamed.length - 5} more`}
                </div>
              )}
            </th>
            <td className="zh-figure">{fresh}</td>
            <td className="zh-figure">{same}</td>
            <td className="zh-figure">{conflicts.length}</td>
            {!plan.isOwn && <td className="zh-figure">{leftOut}</td>}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** Where an archive comes in: looked through first, then brought. */
export function ArchiveDesk() {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [plan, setPlan] = useState<ImportPlan | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [isDone, setDone] = useState(false);
  const { busy, during } = useBusy();
  const look = (chosen: File | null): void => {
    setFile(chosen);
    setPlan(null);
    setSaid(null);
    setDone(false);
    if (!chosen) return;
    during(async () => {
      const answer = await send(chosen, true);
      if (typeof answer === 'string') setSaid(answer);
      else setPlan(answer);
    });
  };
  const bring = (): void =>
    during(async () => {
      if (!file) return;
      const answer = await send(file, false);
      if (typeof answer === 'string') return setSaid(answer);
      setPlan(answer);
      setDone(true);
      router.refresh();
    });
  const fresh = plan?.tables.reduce((sum, each) => sum + each.fresh, 0) ?? 0;
  return (
    <>
      <FileField label="Archive (a JSON document)" accept="application/json,.json" onPick={look} />
      {busy && <p role="status">Looking through it …</p>}
      {said && (
        <p className="zh-error" role="alert">
          {said}
        </p>
      )}
      {plan && (
        <>
          <p className={plan.isOwn ? 'mb-0 mt-2' : 'zh-stop mb-0 mt-2'} role="note">
            {plan.isOwn
              ? 'This shop made it, and it is as it was made: it comes back as it was.'
              : 'This shop did not make it, or it was changed since. Its jobs are marked with where they came from, and none of them counts as signed here. People, settings and torque figures stay out.'}
          </p>
          <Plan plan={plan} />
          {isDone ? (
            <p role="status">
              <strong>Brought in.</strong> What stood here stayed.
            </p>
          ) : (
            <Button type="button" variant="primary" disabled={busy || fresh === 0} onClick={bring}>
              {fresh === 0 ? 'Nothing new in it' : `Bring in ${fresh} rows`}
            </Button>
          )}
        </>
      )}
    </>
  );
}
