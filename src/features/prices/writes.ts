import type { ShopForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

/** Writes the shop’s prices and equipment; open decisions follow. */
export const writePrices = (form: ShopForm): Promise<KeptAnswer<unknown>> =>
  keepWrite({
    name: 'prices',
    input: form,
    place: 'prices',
    jobId: null,
    replaces: { room: 'shop', as: 'typed' },
    about: 'prices and equipment',
    refresh: 'by-writer',
  });
