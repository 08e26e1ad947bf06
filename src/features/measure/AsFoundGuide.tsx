'use client';

import { FileLink } from '@/ui/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { AsFoundItem } from '@/core/job';
import { fieldUnit, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { TextField, useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';
import { NextLink, NextThing } from '@/ui/shell';

interface AsFoundGuideProps {
  readonly jobId: string;
  readonly corner: string;
  readonly fastening: 'studs' | 'bolts';
  /** Judged by its marks: its thickness is not asked. */
  readonly isComposite: boolean;
  readonly noted: readonly AsFoundItem[];
  readonly units: UnitSystem;
  readonly backHref: string;
}

interface Line {
  readonly item: AsFoundItem;
  readonly name: string;
  readonly todo: string;
}

const linesFor = (fastening: 'studs' | 'bolts', isComposite: boolean): readonly Line[] => {
  const [nuts, first] = fastening === 'studs' ? ['Nuts', 'stud 1'] : ['Bolts', 'hole 1'];
  return [
    {
      item: 'mark',
      name: 'Mark',
      todo: `Mark rotor and hub together at ${first}.`,
    },
    {
      item: 'nuts',
      name: `${nuts} as found`,
      todo: `Note the torque of the ${nuts.toLowerCase()} as found with the runout, then read one lap.`,
    },
    { item: 'runout', name: 'Runout', todo: 'Read one lap of runout, before anything is cleaned.' },
    ...(isComposite
      ? []
      : ([{ item: 'thickness', name: 'Thickness', todo: 'Read one lap of thickness.' }] as const)),
    { item: 'end-play', name: 'End play', todo: 'Push and pull: what is the bearing’s end play?' },
  ];
};

/** The end play as somebody felt it with the dial, kept where the strip-down has it too. */
function EndPlay({ jobId, corner, units }: Pick<AsFoundGuideProps, 'jobId' | 'corner' | 'units'>) {
  const [text, setText] = useState('');
  const { send, busy, trouble } = useSend(keepCheck);
  const unit = fieldUnit(units, 'deviation');
  return (
    <form
      className="d-flex flex-wrap gap-2 align-items-end"
      onSubmit={(event) => {
        event.preventDefault();
        send([
          {
            ...{ jobId, kind: 'figure', place: corner, item: 'end-play' },
            ...{ value: { text, unit }, note: null, seen: null },
          },
        ]);
      }}
    >
      <TextField
        label={`End play (${UNIT_SIGN[unit]})`}
        isFigure
        value={text}
        error={trouble ?? undefined}
        onChange={setText}
      />
      <Button type="submit" variant="outline-secondary" disabled={busy || text.trim() === ''}>
        Keep it
      </Button>
    </form>
  );
}

/** The marks and readings of a corner as it was found: what is there, what is next, and the way back. */
export function AsFoundGuide(props: AsFoundGuideProps) {
  const { jobId, corner, fastening, isComposite, noted, units, backHref } = props;
  const { send, busy, trouble } = useSend(keepCheck);
  const lines = linesFor(fastening, isComposite);
  const next = lines.find(({ item }) => !noted.includes(item));
  const mark = (): void =>
    send([
      {
        ...{ jobId, kind: 'step', place: corner, item: 'match-mark' },
        ...{ value: 'done', note: null, seen: null },
      },
    ]);
  return (
    <section className="zh-card mb-3" aria-label="As found">
      <NextThing
        todo={next ? next.todo : 'As found is on record.'}
        why={
          next
            ? 'Nothing is cleaned or moved: what stands now is kept apart from the readings that are decided on.'
            : 'Now the corner comes apart, and is read again once its seat is clean.'
        }
      >
        {next?.item === 'mark' && (
          <Button disabled={busy} onClick={mark}>
            It is marked
          </Button>
        )}
        {next?.item === 'end-play' && <EndPlay {...{ jobId, corner, units }} />}
        {next ? (
          noted.includes('runout') && (
            <FileLink variant="outline-secondary" href={backHref}>
              Back to the strip-down
            </FileLink>
          )
        ) : (
          <NextLink href={backHref}>Back to the strip-down</NextLink>
        )}
      </NextThing>
      <ul className="list-unstyled d-flex flex-wrap column-gap-4 mb-0 mt-2">
        {lines.map(({ item, name }) => (
          <li key={item}>
            <span aria-hidden="true">{noted.includes(item) ? '✓' : '○'}</span> {name}
            <span className="visually-hidden">
              {noted.includes(item) ? ': noted' : ': not yet'}
            </span>
          </li>
        ))}
      </ul>
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </section>
  );
}
