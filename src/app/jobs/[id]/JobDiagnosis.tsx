import type { ReactNode } from 'react';
import { JobLead, JobNose } from '@/features/nose/JobNose';
import { noseLine } from '@/features/nose/model';
import type { Job } from '@/core/job';
import { FIND_MINUTES } from '@/core/practice';
import { NoseLeft } from '@/features/practice/stages/NoseLeft';
import { noseInPractice } from '@/server/practice/car';
import { isPractice } from '@/server/store';
import { noseOf } from '@/server/nose/nose';
import { SeenMark } from '@/ui/keeper';
import { Nose } from '@/ui/shell';
import nosePanel from '@/ui/shell/nosePanel.module.css';

/** What the findings of a job point to, weighed anew on every request: in a sentence, at length. */
export async function diagnosisOf(
  job: Job,
  isAsFound = false,
): Promise<{ lead: ReactNode; scent: ReactNode; line: string }> {
  const practised = isPractice() ? await noseInPractice(job) : null;
  const left = practised && (
    <NoseLeft
      jobId={job.id}
      isOn={practised.isOn}
      isSeen={practised.isSeen}
      minutes={FIND_MINUTES.nose}
    />
  );
  if (practised?.isSeen === false) return { lead: null, scent: left, line: 'off' };
  const view = await noseOf(job);
  return {
    lead: <JobLead view={view} isAsFound={isAsFound} />,
    scent: (
      <>
        <JobNose jobId={job.id} corners={job.corners} view={view} />
        {left}
      </>
    ),
    line: noseLine(view),
  };
}

/** A stage with the nose: whole at its right side (below on a phone), or as a line above it. */
export async function WithNose({
  job,
  isAsFound,
  isWhole = false,
  children,
}: {
  job: Job;
  isAsFound?: boolean;
  /** Something is found out here: the nose takes its room. */
  isWhole?: boolean;
  children: ReactNode;
}) {
  const { lead, scent, line } = await diagnosisOf(job, isAsFound);
  return (
    <div {...(isWhole && { className: nosePanel.withNose, 'data-part': 'with-nose' })}>
      <SeenMark reach={job.reach} />
      {!isWhole && (
        <Nose line={line}>
          {lead}
          {scent}
        </Nose>
      )}
      <div>{children}</div>
      {isWhole && (
        <Nose>
          {lead}
          {scent}
        </Nose>
      )}
    </div>
  );
}
