import Link, { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { Here } from '@/app/Here';
import {
  cornersToProve,
  drumsDone,
  drumsToDo,
  repairsToDo,
  sayRepair,
  sourceRepairs,
} from '@/core/job';
import { RepairTicks } from '@/features/correct/RepairTicks';
import { repairViews } from '@/server/decide/repairsView';
import { jobHref, NextThing } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';
import { openJobPage, type JobParams } from '../open';

export const metadata: Metadata = { title: 'Correct' };

/** What is put right beside the rotors; a job without that goes to its first corner. */
export default async function CorrectOverviewPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const [corner] = cornersToProve(job);
  const here = sourceRepairs(job).filter(({ how }) => how === 'here');
  const [drum] = [...drumsToDo(job), ...drumsDone(job)];
  const first = corner ?? drum;
  if (here.length === 0 && first) redirect(jobHref(id, { page: 'correct', corner: first }));
  const [todo] = repairsToDo(job);
  return (
    <WithNose job={job}>
      <h1>Correct</h1>
      <Here />
      {here.length === 0 ? (
        <p>
          Nothing is decided yet. <Link href={jobHref(id, { page: 'decide' })}>Decide</Link>
        </p>
      ) : (
        <NextThing
          todo={todo ? `Put right: ${sayRepair(todo)}.` : 'Prove it: drive it again.'}
          why={todo ? todo.cause.repair : 'What was put right counts when it is proven.'}
        >
          {!todo && (
            <ButtonLink
              variant="primary"
              href={
                corner ? jobHref(id, { page: 'correct', corner }) : jobHref(id, { page: 'prove' })
              }
            >
              {corner ? `Correct ${corner}` : 'Prove'}
            </ButtonLink>
          )}
        </NextThing>
      )}
      <div className="mt-3">
        <RepairTicks jobId={id} repairs={await repairViews(job)} />
      </div>
    </WithNose>
  );
}
