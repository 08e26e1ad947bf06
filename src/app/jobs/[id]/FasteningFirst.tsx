import type { ReactNode } from 'react';
import { isFasteningSaid, isUnnamed, type Job } from '@/core/job';
import { axleOf, type Corner } from '@/core/readings';
import { FasteningAsk } from '@/features/measure/FasteningAsk';
import { ModelChoice } from '@/features/sheets/ModelChoice';
import { modelsThatSayFastening } from '@/server/shop/sheets';

/**
 * A page that counts studs: how the wheel is held on is asked before it, once for an axle; or its
 * model, where a sheet of the model says it.
 */
export async function FasteningFirst({
  job,
  corner,
  children,
}: {
  readonly job: Job;
  readonly corner: Corner;
  readonly children: ReactNode;
}) {
  if (isFasteningSaid(job, corner)) return children;
  const models = isUnnamed(job.vehicle) ? await modelsThatSayFastening(axleOf(corner)) : [];
  return (
    <FasteningAsk jobId={job.id} corner={corner}>
      {models.length > 0 && <ModelChoice vehicleId={job.vehicle.id} models={models} />}
    </FasteningAsk>
  );
}
