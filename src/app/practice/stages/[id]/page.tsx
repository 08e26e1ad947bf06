import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { CarEnd } from '@/features/practice';
import { openPracticeDoor, practiceAddress } from '@/server/practice/door';
import { lookAtCase } from '@/server/practice/practice';
import { carOnStages } from '@/server/practice/stages';
import { shopUnits } from '@/server/shop/settings';
import { whoIsHere } from '@/server/web/who';

export const metadata: Metadata = { title: 'Practice: what was true' };

/** A car that was worked on the stages of a job, to be given back; one that was stands as it was handed in. */
export default async function StagesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const who = await whoIsHere();
  const kept = await lookAtCase(id, who);
  if (kept) redirect(`/practice/${kept.code}?of=${id}`);
  const [car, door, units] = await Promise.all([
    carOnStages(id, who),
    openPracticeDoor(),
    shopUnits(),
  ]);
  if (!car) notFound();
  const back = door.ok ? await practiceAddress(`/jobs/${id}`, door.value) : '/practice';
  return <CarEnd {...car} {...{ id, units, back }} who={who && { id: who.id, name: who.name }} />;
}
