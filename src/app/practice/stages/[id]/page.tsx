import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { CarEnd } from '@/features/practice';
import { openPracticeDoor, practiceAddress } from '@/server/practice/door';
import { carOnStages } from '@/server/practice/stages';
import { shopUnits } from '@/server/shop/settings';
import { whoIsHere } from '@/server/web/who';

export const metadata: Metadata = { title: 'Practice: what was true' };

/** A car that was worked on the stages of a job, given back. */
export default async function StagesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const car = await carOnStages(id);
  if (!car) notFound();
  const door = await openPracticeDoor();
  const [who, units] = await Promise.all([whoIsHere(), shopUnits()]);
  const back = door.ok ? await practiceAddress(`/jobs/${id}`, door.value) : '/practice';
  return <CarEnd {...car} {...{ id, units, back }} who={who && { id: who.id, name: who.name }} />;
}
