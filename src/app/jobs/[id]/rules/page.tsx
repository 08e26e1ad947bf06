import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { RuleBook } from '@/features/rules/RuleBook';
import { jobFile } from '@/server/jobs';
import { allPeople } from '@/server/people';
import { whoIsHere } from '@/server/who';
import { checksOfKind, rulesOf } from '@/server/procedure';

export const metadata: Metadata = { title: 'House rules of the job' };

export default async function JobRulesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  const stamps = Object.fromEntries(
    checksOfKind(file, 'rule').map(({ item, stamp }) => [item, stamp]),
  );
  return (
    <>
      <h1>House rules of this job</h1>
      <p>
        Where good technicians differ. This job follows the shop unless it goes another way, with a
        reason; the report names what was followed. The maker’s figure and procedure come before
        every house rule. <Link href={`/jobs/${id}/strip`}>Back to the strip-down</Link>
      </p>
      <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} />
      <RuleBook rules={rulesOf(file)} job={{ id, stamps }} />
    </>
  );
}
