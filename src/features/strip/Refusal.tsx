import { Button } from 'react-bootstrap';
import { ReasonForm } from '@/ui/ReasonForm';
import type { RefusedCheck } from './useChecks';

/** Why something was not taken, what is asked where it may be with a reason, and the way to leave it. */
export function Refusal({ message, sayWhy, leave }: RefusedCheck) {
  return (
    <div role="alert" className="mt-2 mb-3">
      <p className="zh-error mb-0">
        {message}{' '}
        <Button type="button" variant="link" className="p-0" onClick={leave}>
          Leave it
        </Button>
      </p>
      {sayWhy && (
        <ReasonForm
          label="Why it is taken back"
          placeholder="Why it is taken back"
          button="Take it back"
          onGive={sayWhy}
        />
      )}
    </div>
  );
}

/** The kinds of what is answered at an item of a list. */
const AT_ITEM = ['look', 'fixed', 'figure'];

/** What was refused of an item; null where something else was, or nothing. */
export const refusedOf = (
  refused: RefusedCheck | null | undefined,
  item: string,
): RefusedCheck | null =>
  refused && AT_ITEM.includes(refused.change.kind) && refused.change.item === item ? refused : null;

/** Whether what was refused is told at one of these. */
export const isToldAt = (
  refused: RefusedCheck | null,
  items: readonly { readonly code: string }[],
): boolean => items.some(({ code }) => refusedOf(refused, code) !== null);
