import type { Metadata } from 'next';
import { PracticeDesk, PracticeFrame } from '@/features/practice';
import { practiceOfShop } from '@/server/practice/practice';
import { replayLines } from '@/server/practice/replay';
import { shopUnits } from '@/server/shop/settings';
import { whoIsHere } from '@/server/web/who';

export const metadata: Metadata = { title: 'Practice' };

export default async function PracticePage() {
  const who = await whoIsHere();
  const [units, shop, jobs] = await Promise.all([shopUnits(), practiceOfShop(who), replayLines()]);
  return (
    <PracticeFrame title="">
      <p>
        A corner whose truth the program knows: look at the bench, read it with virtual gauges, say
        when you are done, and see what was true.
      </p>
      <PracticeDesk who={who && { id: who.id, name: who.name }} {...{ units, shop, jobs }} />
    </PracticeFrame>
  );
}
