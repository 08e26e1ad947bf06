'use client';

import { ButtonLink } from '@/ui/Link';
import { Button, Offcanvas } from 'react-bootstrap';
import { sayMoment } from '@/ui/sayTime';
import { overTheirs, sayTheirs, useKeeper, useKeeperState, type KeptWrite } from '@/ui/keeper';
import styles from './unsent.module.css';

const stateOf = (write: KeptWrite, isAway: boolean): string => {
  const { status } = write;
  if (status.state === 'refused') return `Not taken: ${status.message}`;
  if (status.state === 'conflict') return sayTheirs(write);
  return isAway ? 'Waits for the server.' : 'On its way.';
};

/** One thing that is not on the server: what, when, where, why, and what can be done about it. */
function UnsentLine({ write, isAway }: { readonly write: KeptWrite; readonly isAway: boolean }) {
  const keeper = useKeeper();
  const { status } = write;
  return (
    <li className={styles.unsentLine}>
      <strong>{write.about}</strong>
      <div className="zh-muted">
        {sayMoment(write.at)} · {stateOf(write, isAway)}
      </div>
      <div className="d-flex flex-wrap gap-2 mt-1">
        <ButtonLink variant="outline-secondary" href={write.href}>
          Go there
        </ButtonLink>
        {status.state === 'refused' && (
          <Button
            type="button"
            variant="outline-secondary"
            onClick={() => void keeper?.again(write)}
          >
            Try again
          </Button>
        )}
        {status.state === 'conflict' && (
          <Button
            type="button"
            variant="outline-secondary"
            onClick={() => void keeper?.again(write, overTheirs(write))}
          >
            Write mine
          </Button>
        )}
        <Button
          type="button"
          variant="link"
          onClick={() => {
            if (
              status.state !== 'waiting' ||
              window.confirm(`Drop “${write.about}”? It is not on the server.`)
            ) {
              void keeper?.drop(write);
            }
          }}
        >
          {status.state === 'conflict' ? 'Leave theirs' : 'Drop it'}
        </Button>
      </div>
    </li>
  );
}

/** Everything that this device holds and the server does not have, in the order it was written. */
export function UnsentList({
  isOpen,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const { writes, isAway } = useKeeperState();
  return (
    <Offcanvas show={isOpen} onHide={onClose} placement="end" aria-labelledby="zh-unsent-title">
      <Offcanvas.Header closeButton>
        <Offcanvas.Title id="zh-unsent-title">Not on the server yet</Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        <p className="zh-muted">
          Kept on this device, also when it is switched off, and sent in this order.
        </p>
        <ul className="list-unstyled">
          {writes.map((write) => (
            <UnsentLine key={write.id} write={write} isAway={isAway} />
          ))}
        </ul>
        {writes.length === 0 && <p>Everything is on the server.</p>}
      </Offcanvas.Body>
    </Offcanvas>
  );
}
