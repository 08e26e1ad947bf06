'use client';

import { Button } from 'react-bootstrap';
import { formatIn } from '@/core/units';
import { useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';
import { ReasonForm } from '@/ui/ReasonForm';
import { sayDecided, type DrumView } from './model';

/** What the cut is to leave, in words; empty where none was decided. */
function sayCut({ before, decision, units }: DrumView): string {
  const cut = decision?.work === 'cut' ? before?.cut : null;
  if (!cut) return '';
  const [least, most] = [cut.finished, cut.verdict.limit].map((um) => formatIn(units, 'size', um));
  return `Cut until it cleans up all round: ${least ?? ''} by what was read, never beyond ${most ?? ''}. Both of the axle to one size.`;
}

/** The work that was decided at a drum, and its tick; what it measures now comes first. */
export function DrumTick({ view }: { view: DrumView }) {
  const { jobId, corner, decision, after, isClosed } = view;
  const { send, busy, trouble, fields } = useSend(keepCheck);
  if (!decision) return null;
  const write = (value: 'done' | null, note: string | null): void =>
    send([
      {
        ...{ jobId, kind: 'drum', place: corner, item: 'done', value, note },
        seen: decision.doneStamp,
      },
      'by-writer',
    ]);
  const isMissing = decision.work !== 'keep' && after === null;
  return (
    <>
      <p className="mb-1">
        <strong>{sayDecided(view)}</strong> {sayCut(view)}
      </p>
      {decision.isDone ? (
        <div>
          <p className="mb-1">It is done.</p>
          {!isClosed && (
            <details>
              <summary className="zh-fold">It is not done yet</summary>
              <ReasonForm
                label="Why it is taken back"
                placeholder="Why it is taken back"
                button="Take it back"
                onGive={(reason) => write(null, reason)}
              />
            </details>
          )}
        </div>
      ) : (
        <>
          {isMissing && (
            <p className="zh-muted mb-1">
              First its four diameters as they are now: a new drum is measured too.
            </p>
          )}
          {!isClosed && (
            <Button disabled={busy || isMissing} onClick={() => write('done', null)}>
              It is done
            </Button>
          )}
        </>
      )}
      {(fields.note ?? trouble) && (
        <div className="zh-error" role="alert">
          {fields.note ?? trouble}
        </div>
      )}
    </>
  );
}
