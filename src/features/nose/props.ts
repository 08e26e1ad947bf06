import type { NoseView } from '@/server/nose/nose';

export interface JobNoseProps {
  readonly jobId: string;
  readonly corners: readonly string[];
  readonly view: NoseView;
}
