import type { GaugeForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

/** Writes a gauge, new or changed. */
export const writeGauge = (gauge: GaugeForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'gauge',
    input: gauge,
    place: `gauge ${gauge.id ?? `new ${gauge.name}`}`,
    jobId: null,
    replaces: { room: 'shop', as: 'typed' },
    about: `the gauge ${gauge.name}`,
    refresh: 'by-writer',
  });

/** Takes a gauge out of use. */
export const retireGauge = (id: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'gauge-retire',
    input: { id },
    place: `gauge ${id}`,
    jobId: null,
    replaces: { room: 'shop', as: 'shown' },
    about: 'a gauge taken out of use',
    refresh: 'by-writer',
  });
