import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { PairDesk } from '@/features/access/PairDesk';
import { peerOf } from '@/server/access/here';
import { isSignInAsked } from '@/server/access/mode';
import { ForgetPages } from '@/ui/offline';

export const metadata: Metadata = { title: 'Pair this screen' };

export default async function PairPage() {
  if (!isSignInAsked()) notFound();
  const { isOwnMachine } = await peerOf();
  return (
    <>
      <h1>Pair this screen</h1>
      <ForgetPages />
      <p>Nothing of the shop is shown on a screen before it is paired with the program.</p>
      <PairDesk isOwnMachine={isOwnMachine} />
    </>
  );
}
