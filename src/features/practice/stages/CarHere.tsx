'use client';

import { useMemo, useState, type ReactNode } from 'react';
import type { UnitSystem } from '@/core/units';
import { later } from '@/ui/later';
import { CarProvider, type Car } from '@/ui/practice';

/** What a car answers is loaded where there is one, and by no page of the shop. */
const useTell = later(() => import('./tell'));

/** Has the pages of a job of practice know its car: what they ask is answered where it is asked. */
export function CarHere({
  code,
  units,
  children,
}: {
  readonly code: string;
  readonly units: UnitSystem;
  readonly children: ReactNode;
}) {
  const telling = useTell();
  const [told, setTold] = useState<ReadonlySet<string>>(new Set());
  const car = useMemo<Car | null>(() => {
    if (!telling) return null;
    const own = telling.carOf(code);
    return {
      tell: (asked) => telling.tellOf(own, units, asked),
      told,
      onAsk: (key) => setTold((now) => new Set(now).add(key)),
    };
  }, [telling, code, units, told]);
  return <CarProvider value={car}>{children}</CarProvider>;
}
