import type { ReactNode } from 'react';
import { JobLead, JobNose } from '@/features/nose/JobNose';
import type { Job } from '@/core/job';
import { noseOf } from '@/server/nose/nose';
import { SeenMark } from '@/ui/keeper';
import { Nose } from '@/ui/shell';

/** What the findings of a job point to, weighed anew on every request: in a sentence, at length. */
export async function diagnosisOf(
  job: Job,
  isAsFound = false,
): Promise<{ lead: ReactNode; scent: ReactNode }> {
  const view = await noseOf(job);
  return {
    lead: <JobLead view={view} isAsFound={isAsFound} />,
    scent: <JobNose jobId={job.id} corners={job.corners} view={view} />,
  };
}

/** A stage with the nose at its right side, below it on a phone. */
export async function WithNose({
  job,
  isAsFound,
  children,
}: {
  job: Job;
  isAsFound?: boolean;
  children: ReactNode;
}) {
  const { lead, scent } = await diagnosisOf(job, isAsFound);
  return (
    <div className="zh-with-nose">
      <SeenMark reach={job.reach} />
      <div>{children}</div>
      <Nose>
        {lead}
        {scent}
      </Nose>
    </div>
  );
}
