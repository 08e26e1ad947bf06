import { formatDate } from '@/core/calendar';
import type { PracticeWrite } from '@/ui/keeper';
import { AllCases } from './PracticeFrame';

/** A case that was ended and handed in, as it is looked at afterwards. */
export interface HeldCase {
  readonly person: string;
  /** When it was ended, in ms. */
  readonly at: number;
  readonly writes: readonly PracticeWrite[];
}

/** Says whose way is looked at, and leads back. */
export const LookedAtBand = ({ held: { person, at } }: { readonly held: HeldCase }) => (
  <p className="d-flex flex-wrap gap-2 align-items-center">
    <span>
      As <strong>{person}</strong> worked it, ended {formatDate(at, 'D MMM YYYY, HH:mm')}.
    </span>
    <AllCases />
  </p>
);
