import type { Metadata } from 'next';
import Link from '@/ui/Link';
import { notFound } from 'next/navigation';
import { PROCEDURE } from '@/core/contracts';
import { contactsBy } from '@/core/procedure';
import { RuleBook } from '@/features/rules/RuleBook';
import { loadJob } from '@/server/job/jobs';
import { checksOfKind, rulesOf } from '@/core/job';
import { Here } from '@/app/Here';
import { ContactTable } from '@/ui/procedure';

export const metadata: Metadata = { title: 'House rules of the job' };

export default async function JobRulesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  const rules = rulesOf(job);
  const stamps = Object.fromEntries(
    checksOfKind(job, 'rule').map(({ item, stamp }) => [item, stamp]),
  );
  return (
    <>
      <h1>House rules of this job</h1>
      <p>
        Where good technicians differ. This job follows the shop unless it goes another way, with a
        reason; the report names what was followed. The maker’s figure and procedure come before
        every house rule. <Link href={`/jobs/${id}/strip`}>Back to the strip-down</Link>
      </p>
      <Here isWhole />
      <RuleBook rules={rules} job={{ id, stamps }} />
      <section className="zh-card mt-3" aria-labelledby="contacts">
        <h2 id="contacts">What goes where, by these rules</h2>
        <ContactTable contacts={contactsBy(PROCEDURE, { traits: new Set(), rules })} />
      </section>
    </>
  );
}
