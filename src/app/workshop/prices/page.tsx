import { Here } from '@/app/Here';
import type { Metadata } from 'next';
import Link from '@/ui/Link';
import { formOfShop } from '@/core/contracts';
import { PriceList } from '@/features/prices/PriceList';
import { shopReach } from '@/server/records/reach';
import { shopUnits } from '@/server/shop/settings';
import { shopOfToday } from '@/server/shop/shop';
import { SeenMark } from '@/ui/keeper';

export const metadata: Metadata = { title: 'Prices and times' };

export default async function PricesPage() {
  const shop = await shopReach();
  const units = await shopUnits();
  return (
    <>
      <SeenMark reach={{ shop }} />
      <p className="mb-1">
        <Link className="zh-link" href="/workshop">
          Workshop
        </Link>
      </p>
      <h1>Prices and times</h1>
      <Here />
      <p>
        The shop’s own list: every option of Decide is costed by it. Figures of equipment are
        workshop defaults until they are changed.
      </p>
      <PriceList initial={formOfShop(await shopOfToday(), units)} units={units} />
    </>
  );
}
