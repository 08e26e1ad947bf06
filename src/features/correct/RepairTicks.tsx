'use client';

import { Button } from 'react-bootstrap';
import { CORNER_NAME } from '@/core/readings';
import type { RepairView } from '@/server/decide/repairsView';
import { useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';
import { ReasonForm } from '@/ui/ReasonForm';

/** One source that is put right here: what is done, and its tick with what was done. */
function RepairTick({ jobId, repair }: { jobId: string; repair: RepairView }) {
  const { send, busy, trouble, fields } = useSend(keepCheck);
  const { standing, place, code, name } = repair;
  const write = (value: 'done' | null, note: string | null): void =>
    send([
      {
        ...{ jobId, kind: 'repaired', place, item: code },
        ...{ value, note, seen: standing?.doneStamp ?? null },
      },
      'by-writer',
    ]);
  return (
    <section className="zh-card mb-3" aria-label={name}>
      <h2>
        {name}
        {place === '' ? '' : `, ${CORNER_NAME[place]}`}
      </h2>
      <p className="mb-1">{repair.repair}</p>
      <p className="mb-1">
        <strong>Takes:</strong> {repair.takes} <strong>Proof:</strong> {repair.proof}
      </p>
      {repair.settles !== '' && !standing?.did && (
        <p className="mb-1">
          <strong>Put right with it, as it was seen:</strong> {repair.settles}.
        </p>
      )}
      {standing?.did ? (
        <p className="zh-row mb-0">
          <span>
            Put right: <strong>{standing.did}</strong>
          </span>
          <Button variant="link" disabled={busy} onClick={() => write(null, null)}>
            Not yet
          </Button>
        </p>
      ) : (
        <ReasonForm
          label="What was done"
          placeholder="What was done"
          button="It is put right"
          isPrimary
          onGive={(how) => write('done', how)}
        />
      )}
      {(fields.note ?? trouble) && (
        <div className="zh-error" role="alert">
          {fields.note ?? trouble}
        </div>
      )}
    </section>
  );
}

/** Every source beside the rotors that is put right here. */
export const RepairTicks = ({
  jobId,
  repairs,
}: {
  readonly jobId: string;
  readonly repairs: readonly RepairView[];
}) => (
  <>
    {repairs
      .filter(({ standing }) => standing?.how === 'here')
      .map((repair) => (
        <RepairTick
          key={`${repair.place} ${repair.code} ${repair.standing?.doneStamp ?? ''}`}
          {...{ jobId, repair }}
        />
      ))}
  </>
);
