'use server';

import { revalidatePath } from 'next/cache';
import type { GaugeForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { removeGauge, writeGauge } from '@/server/measure/gauges';

/** Writes a gauge, new or changed. */
export async function writeGaugeAction(gauge: GaugeForm): Promise<Answer<string>> {
  const answer = await writeGauge(gauge);
  if (answer.ok) revalidatePath('/', 'layout');
  return answer;
}

/** Takes a gauge out of use. */
export async function removeGaugeAction(id: string): Promise<void> {
  await removeGauge(id);
  revalidatePath('/', 'layout');
}
