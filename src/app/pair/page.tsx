import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { PairDesk } from '@/features/access/PairDesk';
import { TrustCard } from '@/features/access/TrustCard';
import { authorityToTrust } from '@/server/access/authority';
import { peerOf } from '@/server/access/here';
import { isSignInAsked } from '@/server/access/mode';
import { ForgetPages } from '@/ui/offline';

export const metadata: Metadata = { title: 'Pair this screen' };

export default async function PairPage() {
  if (!isSignInAsked()) notFound();
  const { isOwnMachine } = await peerOf();
  const authority = authorityToTrust();
  return (
    <>
      <h1>Pair this screen</h1>
      <ForgetPages />
      <p>Nothing of the shop is shown on a screen before it is paired with the program.</p>
      <PairDesk isOwnMachine={isOwnMachine} />
      {authority && (
        <section className="zh-card mt-3">
          <TrustCard {...authority} />
        </section>
      )}
    </>
  );
}
