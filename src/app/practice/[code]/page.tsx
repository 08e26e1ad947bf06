import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { isOfCorner, readCode, writeCode } from '@/core/practice';
import { FindRoom } from '@/features/practice';
import { shopUnits } from '@/server/shop/settings';
import { whoIsHere } from '@/server/web/who';
import { CaseRoom } from './CaseRoom';

interface CasePageProps {
  readonly params: Promise<{ code: string }>;
}

export async function generateMetadata({ params }: CasePageProps): Promise<Metadata> {
  return { title: `Practice ${(await params).code}` };
}

export default async function CasePage({ params }: CasePageProps) {
  const { code } = await params;
  const own = readCode(decodeURIComponent(code));
  if (!own) notFound();
  const written = writeCode(own);
  // One case has one address.
  if (written !== code) redirect(`/practice/${written}`);
  const who = await whoIsHere();
  const room = { code: written, who: who?.name ?? null, units: await shopUnits() };
  return isOfCorner(own) ? <CaseRoom {...room} /> : <FindRoom {...room} />;
}
