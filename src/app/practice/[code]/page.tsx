import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { isOfCorner, readCode, stepSchema, writeCode } from '@/core/practice';
import type { HeldCase } from '@/features/practice';
import { lookAtCase } from '@/server/practice/practice';
import { shopUnits } from '@/server/shop/settings';
import { whoIsHere } from '@/server/web/who';
import { CarRoom } from './CarRoom';
import { CaseRoom } from './CaseRoom';

interface CasePageProps {
  readonly params: Promise<{ code: string }>;
  readonly searchParams: Promise<{ of?: string | string[] }>;
}

export async function generateMetadata({ params }: CasePageProps): Promise<Metadata> {
  return { title: `Practice ${(await params).code}` };
}

/** The case of an address that was handed in, for whoever may see it. */
async function heldCase(
  id: string,
  code: string,
  who: Awaited<ReturnType<typeof whoIsHere>>,
): Promise<HeldCase | null> {
  const found = await lookAtCase(id, who);
  const steps = z.array(stepSchema).safeParse(found?.steps);
  if (!found || !steps.success || found.code !== code) return null;
  return { person: found.person, at: found.at, writes: steps.data };
}

export default async function CasePage({ params, searchParams }: CasePageProps) {
  const [{ code }, { of }] = await Promise.all([params, searchParams]);
  const own = readCode(decodeURIComponent(code));
  if (!own) notFound();
  const written = writeCode(own);
  // One case has one address.
  if (written !== code) redirect(`/practice/${written}`);
  const [who, units] = await Promise.all([whoIsHere(), shopUnits()]);
  const held = typeof of === 'string' ? await heldCase(of, written, who) : null;
  if (of !== undefined && !held) notFound();
  const room = { code: written, who: who && { id: who.id, name: who.name }, units, held };
  return isOfCorner(own) ? <CaseRoom {...room} /> : <CarRoom {...room} />;
}
