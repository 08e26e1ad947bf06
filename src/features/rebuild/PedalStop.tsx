'use client';

import { ButtonLink } from '@/ui/Link';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { PedalSteps } from './PedalSteps';
import { usePedal, type PedalStopProps } from './usePedal';
import styles from './rebuild.module.css';

/** Enter presses nothing here: whoever runs through the screens with it stops. */
const notByEnter = (event: KeyboardEvent): void => {
  if (event.key === 'Enter') event.preventDefault();
};

/** The hard stop: the pedal pumped firm, held for a minute, the level set; by name and time. */
export function PedalStop(props: PedalStopProps) {
  const { jobId, firm, held, level, loose, rule, moved } = props;
  const pedal = usePedal(props);
  const isDone = firm !== null && held?.value === 'held' && level !== null;
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    // Everything behind it is out of reach; it takes the focus itself, and none of its buttons does.
    const stop = dialog.current;
    if (stop && !stop.open) {
      stop.showModal();
      stop.focus();
    }
    return () => stop?.close();
  }, []);
  return (
    <dialog
      ref={dialog}
      className={styles.pedal}
      aria-labelledby="zh-pedal"
      aria-describedby="zh-pedal-about"
      tabIndex={-1}
      onKeyDown={notByEnter}
      onCancel={(event) => event.preventDefault()}
    >
      <div className={styles.pedalInner}>
        <p className={styles.pedalStop} aria-hidden="true">
          STOP
        </p>
        <h1 id="zh-pedal">
          {isDone ? 'The pedal is firm' : 'The first presses of this pedal meet nothing.'}
        </h1>
        {!isDone && (
          <p className={styles.pedalDanger} id="zh-pedal-about">
            Whoever moves the vehicle now drives without brakes. Pump until it is firm, before it is
            moved or put in gear.
          </p>
        )}
        {props.who}
        {moved.length > 0 && !isDone && <p className="zh-muted">Because: {moved.join('; ')}.</p>}
        {loose !== null ? (
          <div className="zh-stop" role="alert">
            <strong>Do not touch the pedal.</strong> {loose} A piston without its rotor jumps out.
          </div>
        ) : (
          <PedalSteps {...{ firm, held, level, rule, pedal }} />
        )}
        {pedal.trouble && (
          <p className="zh-error" role="alert">
            {pedal.trouble}
          </p>
        )}
        <ButtonLink
          variant={isDone ? 'primary' : 'outline-secondary'}
          className="mt-3"
          href={`/jobs/${jobId}/rebuild`}
          // The way out may be taken by Enter; what it leaves open stays open.
          onKeyDown={(event) => event.stopPropagation()}
        >
          {isDone ? 'On with the rebuild' : 'Back: the vehicle stays where it is'}
        </ButtonLink>
      </div>
    </dialog>
  );
}
