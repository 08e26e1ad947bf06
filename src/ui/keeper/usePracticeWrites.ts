'use client';

import { useMemo, useSyncExternalStore } from 'react';
import { browserKeeper } from './browser';
import { practiceText, practiceWrites, watchPractice, type PracticeWrite } from './practiceRoom';

const empty = (): string => '[]';

/** What was pressed in a case and is on its way to the device, as JSON. */
const onItsWay = (id: string): string =>
  JSON.stringify(
    browserKeeper()
      .current()
      .writes.filter(({ jobId }) => jobId === id)
      .map(({ id: own, name, input }) => ({ id: own, name, input })),
  );

/** Everything that was written in a case on this device, what was pressed this moment among it. */
export function usePracticeWrites(id: string): readonly PracticeWrite[] {
  const kept = useSyncExternalStore(watchPractice, () => practiceText(id), empty);
  const going = useSyncExternalStore(
    (listener) => browserKeeper().subscribe(listener),
    () => onItsWay(id),
    empty,
  );
  return useMemo(() => {
    const all = practiceWrites(kept);
    const isKept = new Set(all.map((each) => each.id));
    return [...all, ...practiceWrites(going).filter((each) => !isKept.has(each.id))];
  }, [kept, going]);
}
