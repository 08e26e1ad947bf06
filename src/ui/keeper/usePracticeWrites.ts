'use client';

import { useMemo, useSyncExternalStore } from 'react';
import { browserKeeper } from './browser';
import { practiceText, practiceWrites, watchPractice, type PracticeWrite } from './practiceRoom';

const empty = (): string => '[]';

const watchKeeper = (listener: () => void): (() => void) => browserKeeper().subscribe(listener);

/** What was pressed in a case and is on its way to the device, as JSON; what was refused is not. */
const onItsWay = (id: string): string =>
  JSON.stringify(
    browserKeeper()
      .current()
      .writes.filter(({ jobId, status }) => jobId === id && status.state === 'waiting')
      .map(({ id: own, name, input }) => ({ id: own, name, input })),
  );

/** Everything that was written in a case on this device, what was pressed this moment among it. */
export function usePracticeWrites(id: string): readonly PracticeWrite[] {
  const kept = useSyncExternalStore(watchPractice, () => practiceText(id), empty);
  const going = useSyncExternalStore(watchKeeper, () => onItsWay(id), empty);
  return useMemo(() => {
    const all = practiceWrites(kept);
    const isKept = new Set(all.map((each) => each.id));
    return [...all, ...practiceWrites(going).filter((each) => !isKept.has(each.id))];
  }, [kept, going]);
}
