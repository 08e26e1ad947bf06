'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { DRUM_WORK_NAME, type DrumWork } from '@/core/drum';
import { useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';
import { drumSentence, sayDecided, sayDrumOption, type DrumView } from './model';
import styles from './drum.module.css';
import picks from '@/ui/shell/picks.module.css';

/** What is done about a drum: every way side by side, the least that ends within first. */
export function DrumChoice({ view }: { view: DrumView }) {
  const { jobId, corner, decision, options, advised, isClosed } = view;
  const { send, busy, trouble, fields } = useSend(keepCheck);
  const [shoes, setShoes] = useState(decision?.shoes ?? false);
  const write = (work: DrumWork | null): void =>
    send([
      {
        ...{ jobId, kind: 'drum', place: corner, item: 'decided', note: null },
        ...{ value: work && { work, shoes }, seen: decision?.stamp ?? null },
      },
      'by-writer',
    ]);
  const { todo, why } = drumSentence(view);
  return (
    <>
      <div className="zh-next mb-3" role="status">
        <strong>{decision ? `On record: ${sayDecided(view)}` : todo}</strong>
        {!decision && <div>{why}</div>}
      </div>
      {options.length > 0 && (
        <>
          {!isClosed && (
            <label className={`${picks.check} mb-2`}>
              <input
                type="checkbox"
                checked={shoes}
                disabled={busy || decision?.isDone}
                onChange={({ target }) => setShoes(target.checked)}
              />{' '}
              New shoes with it, both sides ({view.shoesPrice})
            </label>
          )}
          <ul className={styles.options}>
            {options.map((option) => {
              const { leaves, against } = sayDrumOption(view, option);
              const isTaken = decision?.work === option.work && decision.shoes === shoes;
              return (
                <li
                  key={option.work}
                  className={styles.option}
                  data-advised={option.work === advised}
                >
                  <h3 className="mb-1">
                    {DRUM_WORK_NAME[option.work]}
                    {option.work === advised && <span className={styles.advised}> advised</span>}
                  </h3>
                  {leaves && <div className="zh-figure">{leaves}</div>}
                  <div className="zh-muted">{view.prices[option.work]}</div>
                  {against && <div>{against}</div>}
                  {!isClosed && against === '' && !decision?.isDone && (
                    <Button
                      className="mt-2"
                      variant={
                        option.work === advised && !decision ? 'primary' : 'outline-secondary'
                      }
                      disabled={busy || isTaken}
                      onClick={() => write(option.work)}
                    >
                      {isTaken ? 'On record' : `Take: ${DRUM_WORK_NAME[option.work].toLowerCase()}`}
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      )}
      {decision && !isClosed && !decision.isDone && (
        <Button variant="link" className="px-0" disabled={busy} onClick={() => write(null)}>
          Take this decision back
        </Button>
      )}
      {(fields.note ?? trouble) && (
        <div className="zh-error" role="alert">
          {fields.note ?? trouble}
        </div>
      )}
    </>
  );
}
