'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { percent } from '@/core/diagnosis';
import { CORNER_NAME, type Corner } from '@/core/readings';
import type { RepairView } from '@/server/decide/repairsView';
import { useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';
import { ReasonForm } from '@/ui/ReasonForm';
import options from '@/ui/shell/options.module.css';

interface SourceRepairsProps {
  readonly jobId: string;
  readonly corners: readonly Corner[];
  readonly repairs: readonly RepairView[];
  /** Every cause whose repair is no option of a rotor. */
  readonly causes: readonly {
    readonly code: string;
    readonly name: string;
    readonly isOutside: boolean;
  }[];
  readonly isClosed: boolean;
}

/** Writes what is done about a source: here, referred, or nothing any more. */
function useRepair(jobId: string) {
  const { send, busy, trouble, fields } = useSend(keepCheck);
  const write = (
    at: Pick<RepairView, 'place' | 'code'> & { readonly stamp: string | null },
    value: 'here' | 'referred' | null,
    note: string | null,
  ): void =>
    send([
      {
        ...{ jobId, kind: 'repair', place: at.place, item: at.code },
        ...{ value, note, seen: at.stamp },
      },
      'by-writer',
    ]);
  return { write, busy, trouble: fields.note ?? trouble };
}

const where = (place: RepairView['place']): string =>
  place === '' ? '' : `, ${CORNER_NAME[place]}`;

/** To whom a source is referred; without that nothing is. */
const ReferForm = ({ onGive }: { readonly onGive: (note: string) => void }) => (
  <ReasonForm
    label="To whom, and what the owner was told"
    placeholder="To whom, and what the owner was told"
    button="It is referred"
    isPrimary
    onGive={onGive}
  />
);

/** One source: what is done about it, what it takes, what proves it. */
function Source({
  jobId,
  repair,
  isClosed,
}: {
  readonly jobId: string;
  readonly repair: RepairView;
  readonly isClosed: boolean;
}) {
  const { write, busy, trouble } = useRepair(jobId);
  const [isReferring, setReferring] = useState(false);
  const { standing } = repair;
  const at = { ...repair, stamp: standing?.stamp ?? null };
  return (
    <li className="zh-source">
      <h3 className="mb-1">
        {repair.name}
        {where(repair.place)}
        {repair.probability !== null && (
          <span className="zh-muted fw-normal"> · {percent(repair.probability)}</span>
        )}
        {repair.isOutside && <span className="zh-muted fw-normal"> · outside the brakes</span>}
      </h3>
      <p className="mb-1">{repair.repair}</p>
      <p className="mb-1">
        <strong>Takes:</strong> {repair.takes} <strong>Proof:</strong> {repair.proof}
      </p>
      {standing && (
        <p className="mb-1">
          <strong>
            {standing.how === 'here'
              ? standing.did === null
                ? 'Decided: put right here.'
                : `Put right: ${standing.did}.`
              : `Decided: referred. ${standing.toWhom ?? ''}`}
          </strong>
        </p>
      )}
      {!isClosed && !standing && (
        <div className="d-flex flex-wrap gap-2">
          <Button
            variant="outline-secondary"
            disabled={busy}
            onClick={() => write(at, 'here', null)}
            aria-label={`Put right here: ${repair.name}`}
          >
            Put right here
          </Button>
          {repair.isOutside && (
            <Button
              variant="outline-secondary"
              disabled={busy}
              aria-expanded={isReferring}
              onClick={() => setReferring(!isReferring)}
              aria-label={`Refer it: ${repair.name}`}
            >
              Refer it …
            </Button>
          )}
        </div>
      )}
      {!isClosed && !standing && isReferring && (
        <ReferForm onGive={(note) => write(at, 'referred', note)} />
      )}
      {!isClosed && standing && standing.did === null && (
        <Button
          variant="link"
          className="px-0"
          disabled={busy}
          onClick={() => write(at, null, null)}
        >
          Take this decision back
        </Button>
      )}
      {trouble && (
        <div className="zh-error" role="alert">
          {trouble}
        </div>
      )}
    </li>
  );
}

/** A source that the nose did not name, chosen by hand. */
function AnotherSource({ jobId, corners, causes }: Omit<SourceRepairsProps, 'repairs'>) {
  const { write, busy, trouble } = useRepair(jobId);
  const [code, setCode] = useState('');
  const [place, setPlace] = useState<RepairView['place']>('');
  return (
    <details className={options.more}>
      <summary>Another source</summary>
      <div className="zh-limits">
        <Form.Group controlId="source-cause">
          <Form.Label>Source</Form.Label>
          <Form.Select value={code} onChange={({ target }) => setCode(target.value)}>
            <option value="">Choose …</option>
            {causes.map((cause) => (
              <option key={cause.code} value={cause.code}>
                {cause.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="source-place">
          <Form.Label>Where</Form.Label>
          <Form.Select
            value={place}
            onChange={({ target }) =>
              setPlace(corners.find((corner) => corner === target.value) ?? '')
            }
          >
            <option value="">the vehicle</option>
            {corners.map((corner) => (
              <option key={corner} value={corner}>
                {corner} {CORNER_NAME[corner]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Button
          variant="outline-secondary"
          className="align-self-end"
          disabled={busy || code === ''}
          onClick={() => write({ code, place, stamp: null }, 'here', null)}
        >
          Put right here
        </Button>
      </div>
      {causes.find((cause) => cause.code === code)?.isOutside && (
        <ReferForm onGive={(note) => write({ code, place, stamp: null }, 'referred', note)} />
      )}
      {trouble && (
        <div className="zh-error" role="alert">
          {trouble}
        </div>
      )}
    </details>
  );
}

/** Sources beside the rotors: each with its repair, its price and its proof; done here, or referred. */
export function SourceRepairs(props: SourceRepairsProps) {
  const { jobId, repairs, isClosed } = props;
  return (
    <section className="zh-card mb-3" aria-labelledby="sources">
      <h2 id="sources">The source beside the rotors</h2>
      {repairs.length === 0 ? (
        <p className="zh-muted mb-1">
          Nothing beside the rotors is likely by what was found. What was found all the same is
          chosen here.
        </p>
      ) : (
        <ul className="list-unstyled mb-1">
          {repairs.map((repair) => (
            <Source
              key={`${repair.place} ${repair.code} ${repair.standing?.stamp ?? ''}`}
              {...{ jobId, repair, isClosed }}
            />
          ))}
        </ul>
      )}
      {!isClosed && <AnotherSource {...props} />}
    </section>
  );
}
