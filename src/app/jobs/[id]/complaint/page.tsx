import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ComplaintForm } from '@/features/jobs/ComplaintForm';
import { RenewedAgain } from '@/features/jobs/RenewedAgain';
import { questionsOf } from '@/features/nose/model';
import { Questions } from '@/features/nose/Questions';
import { loadJob } from '@/server/job/jobs';
import { shopKnowledge } from '@/server/nose/nose';
import { stagesOf } from '@/core/job';
import { jobHref } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';

export const metadata: Metadata = { title: 'Complaint' };

export default async function ComplaintPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  const { knowledge } = await shopKnowledge();
  const measure = stagesOf(job).find(({ key }) => key === 'measure');
  const answers = Object.fromEntries(job.findings.map(({ code, value }) => [code, value]));
  return (
    <WithNose job={job} isWhole>
      <h1>Complaint</h1>
      <RenewedAgain answers={answers} />
      <section className="zh-card mb-3" aria-labelledby="zh-asked">
        <h2 id="zh-asked">Ask, and answer by key or tap</h2>
        <p className="zh-muted">
          Leave open what is not known. Press an answer again to take it back.
        </p>
        <Questions jobId={id} questions={questionsOf(knowledge, 'complaint')} answers={answers} />
        <div className="d-flex flex-wrap gap-2 mt-3">
          <ButtonLink href={`/jobs/${id}/road-test`} variant="primary">
            Road test
          </ButtonLink>
          <ButtonLink
            href={jobHref(id, { page: 'measure', corner: measure?.corner })}
            variant="outline-secondary"
          >
            Straight to measuring
          </ButtonLink>
        </div>
      </section>
      <ComplaintForm
        jobId={id}
        values={{
          complaint: job.complaint,
          odometerKm: job.odometerKm === null ? '' : String(job.odometerKm),
          corners: [...job.corners],
        }}
      />
    </WithNose>
  );
}
