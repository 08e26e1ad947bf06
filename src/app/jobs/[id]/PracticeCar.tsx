import type { ReactNode } from 'react';
import type { Job } from '@/core/job';
import { sayCrowns } from '@/core/practice';
import { AnswersLater } from '@/features/practice/stages/AnswersLater';
import { CarHere } from '@/features/practice/stages/CarHere';
import { shopAddress } from '@/server/practice/door';
import { carIn, carOfJob } from '@/server/practice/stages';
import { shopUnits } from '@/server/shop/settings';
import { FileLink } from '@/ui/Link';

/** The car of practice that a job is about: what it answers, and where it ends; in the shop’s records the page alone. */
export async function PracticeCar({
  job,
  children,
}: {
  readonly job: Job;
  readonly children: ReactNode;
}) {
  const own = carOfJob(job);
  if (!own) return children;
  const [units, { isCured }] = await Promise.all([shopUnits(), carIn(own, job)]);
  return (
    <CarHere code={own.code} units={units}>
      {job.closedAt === null && <AnswersLater code={own.code} isCured={isCured} units={units} />}
      {children}
    </CarHere>
  );
}

/** Where a job of practice ends: on the shop’s own door, which keeps what came of it. */
export async function GiveBack({ job }: { readonly job: Job }) {
  const own = carOfJob(job);
  if (!own) return null;
  const end = await shopAddress(`/practice/stages/${job.id}`);
  const { minutes, money } = await carIn(own, job);
  return (
    <div className="mt-1 d-flex flex-wrap gap-2 align-items-center">
      <FileLink variant="outline-secondary" href={end}>
        Give it back, and see what was true
      </FileLink>
      <span>
        <span className="zh-figure">{minutes.toFixed(0)} min</span> ·{' '}
        <span className="zh-figure">{sayCrowns(money)}</span> so far
      </span>
    </div>
  );
}
