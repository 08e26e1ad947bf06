import type { ReactNode } from 'react';
import { isFasteningSaid, type Job } from '@/core/job';
import type { Corner } from '@/core/readings';
import { FasteningAsk } from '@/features/measure/FasteningAsk';

/** A page that counts studs: how the wheel is held on is asked before it, once for an axle. */
export const FasteningFirst = ({
  job,
  corner,
  children,
}: {
  readonly job: Job;
  readonly corner: Corner;
  readonly children: ReactNode;
}) => (isFasteningSaid(job, corner) ? children : <FasteningAsk jobId={job.id} corner={corner} />);
