import type { ReactNode } from 'react';
import { JobLead, JobNose } from '@/features/nose/JobNose';
import type { JobFile } from '@/db/repositories';
import { noseOf } from '@/server/nose';
import { Nose } from '@/ui/shell';

/** What the findings of a job point to, weighed anew on every request: in a sentence, at length. */
export async function scentOf(
  file: JobFile,
  isAsFound = false,
): Promise<{ lead: ReactNode; scent: ReactNode }> {
  const view = await noseOf(file);
  return {
    lead: <JobLead view={view} isAsFound={isAsFound} />,
    scent: <JobNose jobId={file.job.id} corners={file.corners} view={view} />,
  };
}

/** A stage with the nose at its right side, below it on a phone. */
export async function WithNose({
  file,
  isAsFound,
  children,
}: {
  file: JobFile;
  isAsFound?: boolean;
  children: ReactNode;
}) {
  const { lead, scent } = await scentOf(file, isAsFound);
  return (
    <div className="zh-with-nose">
      <div>{children}</div>
      <Nose>
        {lead}
        {scent}
      </Nose>
    </div>
  );
}
