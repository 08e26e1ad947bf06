import { Button } from 'react-bootstrap';
import { Signed } from '@/ui/procedure';
import { useKeyFor, type KeyUse } from '@/ui/keys';
import { sayTime } from './model';
import { AskWhy } from './StepTick';
import type { Pedal, PedalStopProps } from './usePedal';
import styles from './rebuild.module.css';

/** The letter that presses a button here. */
const Letter = ({ use }: { readonly use: KeyUse }) => <kbd>{useKeyFor(use).toUpperCase()}</kbd>;

type StepProps = Pick<PedalStopProps, 'firm' | 'held' | 'level' | 'rule'> & {
  readonly pedal: Pedal;
};

/** Pumped until it is high and firm. */
function Firm({ firm, rule, pedal: { busy, writeFirm } }: StepProps) {
  return (
    <li data-done={firm !== null}>
      <h2>1 · Firm</h2>
      <p>{rule} Stop when it is high and firm.</p>
      {firm ? (
        <p className="mb-0">
          ✓ Firm. <Signed written={firm} />
        </p>
      ) : (
        <Button
          type="button"
          variant="primary"
          disabled={busy}
          onClick={() => writeFirm.write('done')}
        >
          It is firm <Letter use="firm" />
        </Button>
      )}
    </li>
  );
}

/** The minute that runs, and whether it sank. */
function Minute({ left, isOver, busy, writeHeld }: Pedal) {
  if (left === null) return null;
  return (
    <>
      <p className={`${styles.pedalTime} zh-figure`} role="timer" aria-live="off">
        {sayTime(left)}
      </p>
      <div className="d-flex flex-wrap gap-2">
        <Button
          type="button"
          variant="primary"
          disabled={busy || !isOver}
          onClick={() => writeHeld.write('held')}
        >
          It did not sink <Letter use="held" />
        </Button>
        <Button
          type="button"
          variant="outline-secondary"
          disabled={busy}
          onClick={() => writeHeld.write('sank')}
        >
          It sank <Letter use="sank" />
        </Button>
      </div>
    </>
  );
}

/** It sank: the vehicle stays where it is until that is put right. */
function Sank({ held, pedal: { busy, writeHeld } }: StepProps) {
  return (
    <div className="zh-stop" role="alert">
      <strong>It sank: the vehicle stays where it is.</strong> Look for the leak, bleed, then begin
      again. {held && <Signed written={held} />}{' '}
      <Button
        type="button"
        variant="outline-secondary"
        disabled={busy}
        onClick={() => writeHeld.write(null)}
      >
        Put right: hold it again
      </Button>
      <AskWhy sayWhy={writeHeld.sayWhy} />
    </div>
  );
}

/** Held for a minute without sinking. */
function Held(props: StepProps) {
  const { firm, held, pedal } = props;
  const { left, sank, busy, writeHold } = pedal;
  return (
    <li data-done={held !== null}>
      <h2>2 · Held for a minute</h2>
      <p>Press as for a hard stop and hold. It must not sink.</p>
      {firm && !held && left === null && (
        <Button
          type="button"
          variant="primary"
          disabled={busy}
          onClick={() => writeHold.write('done')}
        >
          My foot is on it: start the minute <Letter use="hold" />
        </Button>
      )}
      <Minute {...pedal} />
      {held && !sank && (
        <p className="mb-0">
          ✓ Held, did not sink. <Signed written={held} />
        </p>
      )}
      {sank && <Sank {...props} />}
    </li>
  );
}

/** The fluid between its marks, cap on. */
function Level({ held, level, pedal: { busy, writeLevel } }: StepProps) {
  return (
    <li data-done={level !== null}>
      <h2>3 · Fluid level set, cap on</h2>
      <p>Between the marks, cap tight, no leak anywhere.</p>
      {held?.value === 'held' && !level && (
        <Button
          type="button"
          variant="primary"
          disabled={busy}
          onClick={() => writeLevel.write('done')}
        >
          Level set, cap on, no leaks <Letter use="level" />
        </Button>
      )}
      {level && (
        <p className="mb-0">
          ✓ Level set. <Signed written={level} />
        </p>
      )}
    </li>
  );
}

/** What is done at the pedal, in its order. */
export const PedalSteps = (props: StepProps) => (
  <ol className={styles.pedalSteps}>
    <Firm {...props} />
    <Held {...props} />
    <Level {...props} />
  </ol>
);
