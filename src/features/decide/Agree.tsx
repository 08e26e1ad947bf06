'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { isWithinAgreed } from '@/core/options';
import { PressRow, TextField, useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';

/** One choice of the estimate: what it is, and what it costs. */
export interface AgreeChoice {
  readonly part: string;
  readonly what: string;
  readonly price: number | null;
}

interface AgreeProps {
  readonly jobId: string;
  readonly parts: readonly { readonly where: string; readonly choices: readonly AgreeChoice[] }[];
  /** What is recommended in each part, by its place among the choices; −1 for none. */
  readonly usual: readonly number[];
  /** What every choice costs besides: sources that are put right here; null where that is not priced. */
  readonly besides: number | null;
  readonly currency: string;
  readonly stamp: string | null;
  /** Who brings the vehicle, where that is on file. */
  readonly owner: string;
}

/** An amount as typed: figures with a point or comma; null where it is none. */
function readAmount(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^\d{1,7}(\.\d{1,2})?$/.test(plain) ? Number(plain) : null;
}

/** Says that the estimate is before the owner: the job waits for their word. */
export function AskOwner({
  jobId,
  asked,
}: {
  readonly jobId: string;
  readonly asked: { readonly stamp: string; readonly about: string } | null;
}) {
  const { send, busy, trouble } = useSend(keepCheck);
  const write = (): void =>
    send([
      {
        ...{ jobId, kind: 'estimate', place: '', item: 'asked', note: null },
        ...{ value: asked ? null : 'done', seen: asked?.stamp ?? null },
      },
      'by-writer',
    ]);
  return (
    <p className="zh-no-print">
      {asked && <strong>Before the owner: {asked.about}. The job waits for their word. </strong>}
      <Button variant={asked ? 'link' : 'outline-secondary'} disabled={busy} onClick={write}>
        {asked ? 'It is not before the owner' : 'It is before the owner: wait for their word'}
      </Button>
      {trouble && <span className="zh-error">{trouble}</span>}
    </p>
  );
}

/** The owner’s choice and word: on the tablet or by telephone, up to an amount. */
export function Agree({ jobId, parts, usual, besides, currency, stamp, owner }: AgreeProps) {
  const [chosen, setChosen] = useState<readonly number[]>(usual);
  const [how, setHow] = useState<'tablet' | 'telephone'>('tablet');
  const [name, setName] = useState(owner);
  const [amount, setAmount] = useState<string | null>(null);
  const { send, busy, trouble, fields } = useSend(keepCheck);
  const picked = parts.flatMap(({ choices }, j) => choices[chosen[j] ?? -1] ?? []);
  const isPriced = besides !== null && picked.every(({ price }) => price !== null);
  const sum = picked.reduce((total, { price }) => total + (price ?? 0), besides ?? 0);
  const text = amount ?? (isPriced && picked.length > 0 ? String(Math.ceil(sum)) : '');
  const upTo = readAmount(text);
  // An amount below the price of what is chosen agrees to nothing: it could not begin.
  const isTooLittle = isPriced && upTo !== null && !isWithinAgreed(sum, upTo);
  const wrongAmount =
    text !== '' && upTo === null
      ? 'Write the amount in figures.'
      : isTooLittle
        ? `What is chosen costs ${Math.ceil(sum).toLocaleString('en')} ${currency} by our list: at least that, or another choice.`
        : undefined;
  const agree = (): void =>
    send([
      {
        ...{ jobId, kind: 'estimate', place: '', item: 'approval', note: null, seen: stamp },
        value: {
          ...{ how, name, upTo, currency },
          chosen: picked.map(({ part, what }) => `${part}: ${what}.`).join(' ') || 'As decided.',
        },
      },
      'by-writer',
    ]);
  return (
    <form
      className="zh-card mb-3 zh-no-print"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (upTo !== null && !isTooLittle) agree();
      }}
    >
      <h2>What do you choose?</h2>
      {parts.map(({ where, choices }, j) => (
        <fieldset key={where} className="mb-2">
          <legend className="fs-6 fw-bold">{where}</legend>
          {choices.map(({ what, price }, k) => (
            <Form.Check
              key={what}
              type="radio"
              id={`way-${j}-${k}`}
              name={`way-${j}`}
              label={`${what}${price === null ? '' : `: ${Math.round(price).toLocaleString('en')} ${currency}`}`}
              checked={chosen[j] === k}
              onChange={() => setChosen(chosen.map((each, at) => (at === j ? k : each)))}
            />
          ))}
        </fieldset>
      ))}
      <PressRow
        label="How it was said"
        className="mb-2"
        choices={[
          { value: 'tablet', label: 'Here, on the tablet' },
          { value: 'telephone', label: 'By telephone' },
        ]}
        value={how}
        onPress={setHow}
      />
      <div className="zh-limits">
        <TextField
          label="Who agrees"
          error={fields['value.name']}
          value={name}
          onChange={setName}
        />
        <TextField
          label={`Up to${currency && `, ${currency}`}`}
          hint={
            isPriced
              ? 'Nothing that costs more begins without another word.'
              : 'A price is missing on our list: say the amount.'
          }
          error={fields['value.upTo'] ?? wrongAmount}
          isFigure
          value={text}
          onChange={setAmount}
        />
      </div>
      <Button type="submit" disabled={busy || upTo === null || isTooLittle || name.trim() === ''}>
        {stamp === null ? 'Agreed' : 'Agreed anew'}
      </Button>
      {trouble && (
        <p className="zh-error mb-0 mt-2" role="alert">
          {trouble}
        </p>
      )}
    </form>
  );
}
