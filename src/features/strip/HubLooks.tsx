'use client';

import { Conflicts } from './Conflicts';
import type { CornerWork } from './CornerOrder';
import { LookList } from './LookList';
import { sayCheck } from './say';
import { useChecks } from './useChecks';

/** The looks of some items of a corner by themselves. */
export function HubLooks({
  work,
  codes,
}: {
  readonly work: CornerWork;
  readonly codes: readonly string[];
}) {
  const store = useChecks(work.jobId, work.checks, ({ place }) => place === work.corner);
  return (
    <>
      <Conflicts {...store} say={(item, value) => sayCheck(work, item, value)} />
      <LookList
        corner={work.corner}
        items={work.items.filter(({ code }) => codes.includes(code))}
        checks={store.checks}
        onWrite={store.write}
      />
    </>
  );
}
