import { createContext, useContext } from 'react';
import { later } from '@/ui/later';

/** What reads and judges sets. */
export type Judging = typeof import('./judging');

/** On a page that begins with sets it comes with the page. */
export const JudgingContext = createContext<Judging | null>(null);

const useLoaded = later<Judging>(() => import('./judging'));

/** What reads and judges sets; null until it has followed the page. */
export function useJudging(): Judging | null {
  const loaded = useLoaded();
  return useContext(JudgingContext) ?? loaded;
}
