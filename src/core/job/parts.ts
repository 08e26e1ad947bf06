import type { PartOrder } from '../contracts';
import { partOf, type PartItem } from '../options';
import { fastenerOf } from '../torque';
import { itemsDecided } from './agreed';
import { findCheck } from './checks';
import { oncePer } from '../remember';
import type { Job } from './types';

/** A part that the decided work needs, and how it stands. */
export interface PartNeeded {
  readonly item: PartItem;
  readonly name: string;
  readonly count: number;
  /** Null while nobody asked for it. */
  readonly order: PartOrder | null;
  readonly stamp: string | null;
}

const ONE_USE: PartItem = 'one-use';

/** Fasteners that are used once, by the vehicle’s torque figures, in words; null where none is. */
function oneUseOf({ torque }: Job): string | null {
  const names = torque
    .filter(({ oneUse }) => oneUse)
    .map(({ fastener }) => fastenerOf(fastener)?.name.toLowerCase() ?? fastener);
  return names.length === 0 ? null : `One-use fasteners: ${[...new Set(names)].join(', ')}`;
}

/** The parts that everything decided in a job needs; a part that was ordered stays on the list. */
export const partsNeeded = oncePer((job: Job): readonly PartNeeded[] => {
  const counts = new Map<PartItem, { name: string; count: number }>();
  for (const item of itemsDecided(job).items) {
    const part = partOf(item);
    if (!part) continue;
    const count = (counts.get(part.item)?.count ?? 0) + 1;
    counts.set(part.item, { name: part.name, count });
  }
  const oneUse = counts.size > 0 ? oneUseOf(job) : null;
  if (oneUse !== null) counts.set(ONE_USE, { name: oneUse, count: 1 });
  const needed = [...counts].map(([item, { name, count }]) => ({ item, name, count }));
  const dropped = job.checks.flatMap((check) =>
    check.kind === 'part' && !counts.has(check.item)
      ? [{ item: check.item, name: `${nameOf(check.item)} (not needed any more)`, count: 0 }]
      : [],
  );
  return [...needed, ...dropped].map((part) => {
    const row = findCheck(job, 'part', '', part.item);
    return { ...part, order: row?.value ?? null, stamp: row?.stamp ?? null };
  });
});

const nameOf = (item: PartItem): string =>
  item === 'one-use' ? 'One-use fasteners' : (partOf(item)?.name ?? item);

/** Parts that are asked for or ordered and not here, or came wrong. */
export const partsAwaited = (job: Job): PartNeeded[] =>
  partsNeeded(job).filter(({ order }) => order !== null && order.state !== 'here');
