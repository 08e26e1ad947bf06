'use client';

import { Button } from 'react-bootstrap';
import { overTheirs, theirsOf, useKeeper, type KeptWrite } from '@/ui/keeper';
import type { SaveState } from './useHeld';

const words = (save: Exclude<SaveState, { readonly state: 'refused' }>): string => {
  switch (save.state) {
    case 'saved':
      return 'All readings are saved.';
    case 'saving':
      return 'Saving …';
    case 'waiting':
      return `${save.count} ${save.count === 1 ? 'entry waits' : 'entries wait'} on this device for the server. Go on: what waits is sent when it answers.`;
  }
};

/** Why a reading is not on file, and what can be done about it. */
function RefusedWrite({ write }: { readonly write: KeptWrite }) {
  const keeper = useKeeper();
  const { status } = write;
  const drop = (): void => void keeper?.drop(write);
  if (status.state === 'conflict') {
    const theirs = theirsOf(write)?.text;
    return (
      <li>
        Another screen wrote {typeof theirs === 'string' ? `“${theirs}”` : 'nothing'} here
        meanwhile; yours is the {write.about}.{' '}
        <Button type="button" variant="primary" size="sm" onClick={drop}>
          Leave theirs
        </Button>{' '}
        <Button
          type="button"
          variant="outline-secondary"
          size="sm"
          onClick={() => void keeper?.again(write, overTheirs(write))}
        >
          Write mine
        </Button>
      </li>
    );
  }
  return (
    <li>
      Not on file: {write.about}.{' '}
      <strong>{status.state === 'refused' ? status.message : ''}</strong> Type it again at its
      place, or{' '}
      <Button type="button" variant="link" className="p-0 align-baseline" onClick={drop}>
        leave it
      </Button>
      .
    </li>
  );
}

/** Whether what was typed is on the server’s disk, and what of it is not with the reason. */
export function SaveStatus({ save }: { readonly save: SaveState }) {
  if (save.state === 'refused') {
    return (
      <ul className="mb-0 mt-2 zh-error list-unstyled" role="alert" data-save-state="refused">
        {save.writes.map((write) => (
          <RefusedWrite key={write.id} write={write} />
        ))}
      </ul>
    );
  }
  const isCalm = save.state !== 'waiting';
  return (
    <p
      className={`mb-0 mt-2 ${isCalm ? 'zh-muted' : 'zh-error'}`}
      role={isCalm ? undefined : 'alert'}
      data-save-state={save.state}
    >
      {words(save)}
    </p>
  );
}
