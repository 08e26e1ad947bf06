'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { PART_STATES, type PartState } from '@/core/contracts';
import type { PartNeeded } from '@/core/job';
import { PressRow, useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';
import { CardTable } from '@/ui/table';

const STATE_NAME: Readonly<Record<PartState, string>> = {
  asked: 'asked for',
  ordered: 'ordered',
  here: 'here',
  wrong: 'came wrong',
};

/** One part: the shop’s own number and supplier, and how it stands. */
function PartRow({
  jobId,
  part,
  isClosed,
}: {
  readonly jobId: string;
  readonly part: PartNeeded;
  readonly isClosed: boolean;
}) {
  const { item, name, count, order, stamp } = part;
  const [number, setNumber] = useState(order?.number ?? '');
  const [supplier, setSupplier] = useState(order?.supplier ?? '');
  const { send, busy, trouble } = useSend(keepCheck);
  const write = (state: PartState | null): void =>
    send([
      {
        ...{ jobId, kind: 'part', place: '', item, note: null, seen: stamp },
        value: state === null ? null : { state, number, supplier },
      },
      'by-writer',
    ]);
  // What is typed is kept with the next word on it, or when the field is left once it stands.
  const keep = (): void => {
    if (order && (order.number !== number || order.supplier !== supplier)) write(order.state);
  };
  return (
    <tr role="row">
      <th role="rowheader" scope="row">
        {count > 1 && <span className="zh-figure">{count} × </span>}
        {name}
      </th>
      <td role="cell" data-label="Our number">
        <Form.Control
          aria-label={`Number of ${name}`}
          autoComplete="off"
          disabled={isClosed}
          value={number}
          onChange={({ target }) => setNumber(target.value)}
          onBlur={keep}
        />
      </td>
      <td role="cell" data-label="Supplier">
        <Form.Control
          aria-label={`Supplier of ${name}`}
          autoComplete="off"
          disabled={isClosed}
          value={supplier}
          onChange={({ target }) => setSupplier(target.value)}
          onBlur={keep}
        />
      </td>
      <td role="cell">
        <PressRow
          label={`${name}: how it stands`}
          choices={PART_STATES.map((state) => ({ value: state, label: STATE_NAME[state] }))}
          value={order?.state ?? null}
          disabled={busy || isClosed}
          onPress={(state) => write(order?.state === state ? null : state)}
        />
        {trouble && (
          <div className="zh-error" role="alert">
            {trouble}
          </div>
        )}
      </td>
    </tr>
  );
}

/** What the decided work needs, part by part. */
export const PartList = ({
  jobId,
  parts,
  isClosed,
}: {
  readonly jobId: string;
  readonly parts: readonly PartNeeded[];
  readonly isClosed: boolean;
}) => (
  <div className="table-responsive zh-card" tabIndex={0} role="region" aria-label="Parts">
    <CardTable
      className="align-middle mb-0"
      columns={['Part', 'Our number', 'Supplier', 'How it stands']}
    >
      {parts.map((part) => (
        <PartRow key={`${part.item} ${part.stamp ?? ''}`} {...{ jobId, part, isClosed }} />
      ))}
    </CardTable>
  </div>
);
