'use client';

import { Button } from 'react-bootstrap';
import { useEffect, useRef } from 'react';
import { Refusal } from './Refusal';
import type { Checks } from './useChecks';
import keeping from '@/ui/keeper/keeping.module.css';

interface ConflictsProps extends Pick<Checks, 'conflict' | 'settle' | 'refused' | 'isKeeping'> {
  /** What an item's value says, in words. */
  readonly say: (item: string, value: unknown) => string;
}

/** Says what could not be kept, and lets the writer choose where two screens wrote the same. */
export function Conflicts(props: ConflictsProps) {
  const { conflict, settle, refused, isKeeping, say } = props;
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (conflict && !dialog.current?.open) dialog.current?.showModal();
    if (!conflict) dialog.current?.close();
  }, [conflict]);
  const theirs = conflict?.theirs;
  return (
    <>
      <p className={keeping.keeping} role="status">
        {isKeeping && 'Keeping …'}
      </p>
      {refused && <Refusal {...refused} />}
      <dialog
        ref={dialog}
        className="zh-card"
        aria-labelledby="zh-conflict"
        onCancel={() => settle(false)}
      >
        <h2 id="zh-conflict">Another screen wrote here</h2>
        {conflict && (
          <>
            <p>
              {theirs
                ? `${theirs.by ?? 'Another screen'} wrote “${say(theirs.item, theirs.value)}” at ${theirs.at}, after you had this in front of you.`
                : 'Another screen took this back after you had it in front of you.'}{' '}
              You pressed “{say(conflict.mine.item, conflict.mine.value)}”. Which shall stand?
            </p>
            <div className="d-flex flex-wrap gap-2">
              <Button type="button" variant="primary" onClick={() => settle(false)}>
                Leave theirs
              </Button>
              <Button type="button" variant="outline-secondary" onClick={() => settle(true)}>
                Write mine
              </Button>
            </div>
          </>
        )}
      </dialog>
    </>
  );
}
