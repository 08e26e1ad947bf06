import type { ReactNode } from 'react';
import { JobNose } from '@/features/nose/JobNose';
import type { JobFile } from '@/db/repositories';
import { noseOf } from '@/server/nose';
import { Nose } from '@/ui/shell';

/** What the findings of a job point to, weighed anew on every request. */
export async function JobScent({ file }: { file: JobFile }) {
  return <JobNose jobId={file.job.id} corners={file.corners} view={await noseOf(file)} />;
}

/** A stage with the nose at its right side, below it on a phone. */
export function WithNose({ file, children }: { file: JobFile; children: ReactNode }) {
  return (
    <div className="zh-with-nose">
      <div>{children}</div>
      <Nose>
        <JobScent file={file} />
      </Nose>
    </div>
  );
}
