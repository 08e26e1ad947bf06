import 'server-only';
import { bleedOrderSchema, torqueFigureSchema } from '../../core/contracts';
import { challengeTorque, fastenerOf, fastenerOfThread } from '../../core/torque';
import {
  saveTorqueFigure,
  torqueKeyOf,
  updateBleedOrder,
  type PersonRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { withJob } from '../job/withJob';
import { WHO } from '../signoff/signOff';

/** Writes a torque figure for the vehicle of a job and its like; one that cannot be is asked twice. */
export async function keepTorqueFigure(
  input: unknown,
  who: PersonRow | null,
): Promise<Answer<string>> {
  const parsed = torqueFigureSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, axle, fastener, figure, ...own } = parsed.data;
  if (who === null) return refuse(WHO);
  const kind = fastenerOf(fastener);
  if (!kind) return refuse('There is no such fastener.');
  return withJob(jobId, async (tx, job) => {
    const others = job.torque.filter((each) => each.fastener === fastener);
    const onAxle = job.vehicle.axles.find(({ position }) => position === axle);
    const challenge = challengeTorque(
      fastenerOfThread(kind, onAxle?.thread ?? null),
      { value: figure.nm, unit: figure.unit, text: figure.text },
      others.map(({ valueNm }) => valueNm),
    );
    if (challenge && !figure.confirmed) return refuse(challenge, { challenge });
    await saveTorqueFigure(tx, {
      ...torqueKeyOf(job.vehicle),
      ...own,
      axle,
      fastener,
      valueNm: figure.nm,
      text: figure.text,
      unit: figure.unit,
      stages: [...kind.stages],
      by: who.name,
    });
    return accept(fastener);
  });
}

/** Writes the order that a vehicle is bled in, with its source. */
export async function keepBleedOrder(input: unknown): Promise<Answer<string>> {
  const parsed = bleedOrderSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, order, source } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    await updateBleedOrder(tx, job.vehicle.id, { order, source });
    return accept(jobId);
  });
}
