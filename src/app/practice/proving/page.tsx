import type { Metadata } from 'next';
import { AllCases, PracticeFrame, ProvingGround } from '@/features/practice';
import { shopOfToday } from '@/server/shop/shop';
import { shopUnits } from '@/server/shop/settings';

export const metadata: Metadata = { title: 'Practice: proving ground' };

export default async function ProvingPage() {
  return (
    <PracticeFrame title="proving ground" aside={<AllCases />}>
      <p>
        How does a shop do best that always fits new rotors, or always cuts, or moves the rotor
        first? Tried here on many corners whose truth is known, before it is tried on one customer.
        For the lead to settle how the shop works.
      </p>
      <ProvingGround shop={await shopOfToday()} units={await shopUnits()} />
    </PracticeFrame>
  );
}
