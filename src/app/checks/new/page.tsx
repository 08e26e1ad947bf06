import type { Metadata } from 'next';
import { CheckStart } from '@/features/checks/CheckStart';
import { shopUnits } from '@/server/shop/settings';

export const metadata: Metadata = { title: 'Quick check' };

export default async function NewCheckPage() {
  return (
    <>
      <h1>Quick check</h1>
      <CheckStart units={await shopUnits()} />
    </>
  );
}
