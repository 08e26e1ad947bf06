import { redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { shopAddress } from '@/server/practice/door';
import { isPractice } from '@/server/store';

/** Cases are begun, ended and looked at on the shop’s own door: what came of them is the shop’s to keep. */
export default async function PracticeLayout({ children }: { children: ReactNode }) {
  if (isPractice()) redirect(await shopAddress('/practice'));
  return children;
}
