import { isPractice } from '@/server/store';

/** What every title ends with: in the records of practice its word stands before the name. */
export const appName = (): string => (isPractice() ? 'Practice \u00b7 Zesty Hound' : 'Zesty Hound');
