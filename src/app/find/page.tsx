import type { Metadata } from 'next';
import { KNOWLEDGE } from '@/core/contracts';
import { FindForm } from '@/features/find/FindForm';
import { FoundList } from '@/features/find/FoundList';
import { find } from '@/server/records/find';

export const metadata: Metadata = { title: 'Find' };

export default async function FindPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const asked = Object.entries(await searchParams).map(([key, value]) => [
    key,
    Array.isArray(value) ? value[0] : value,
  ]);
  const finding = await find(Object.fromEntries(asked));
  const causes = [...KNOWLEDGE.causes, ...KNOWLEDGE.former].map(({ code, name }) => ({
    code,
    name,
  }));
  return (
    <>
      <h1>Find a job</h1>
      <FindForm query={finding.query} causes={causes} />
      <FoundList finding={finding} causes={causes} />
    </>
  );
}
