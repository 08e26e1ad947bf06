'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Fate, PartKind } from '@/core/procedure';
import type { Corner } from '@/core/readings';
import type { TrayChangeForm } from '@/core/contracts';
import { useSend } from '@/ui/field';
import { dropWriteAt, theirsOf, useKeeperState } from '@/ui/keeper';
import type { TrayLines } from './model';
import { PhotoStrip, type StripPhoto } from './PhotoStrip';
import { changePart, dropPart, partLinesPlace, takeOffPart } from './writes';
import styles from './strip.module.css';
import asking from '@/ui/shell/asking.module.css';
import picks from '@/ui/shell/picks.module.css';

/** A part in the tray as the screens have it. */
export interface TrayPart extends TrayLines {
  readonly id: string;
  readonly kind: string | null;
  readonly name: string;
  readonly by: string | null;
  /** When it, or what replaces it, went back on; null while it is in the tray. */
  readonly back: string | null;
  readonly photos: readonly StripPhoto[];
}

/** A part that can come off, with what the house rules make of it. */
export type PartChoice = PartKind & { readonly fate: Fate };

const FATES: readonly (readonly [Fate, string])[] = [
  ['reuse', 'goes back'],
  ['renew', 'is renewed'],
  ['exchange', 'is exchanged'],
];

const LINES = [
  ['place', 'Where it sat'],
  ['orientation', 'How it sat'],
  ['mark', 'Longer bolt, sleeve, arrow'],
] as const;

interface TrayPlace {
  readonly jobId: string;
  readonly corner: Corner;
}

/** A change that met what another screen wrote in the same line. */
interface LineConflict {
  readonly line: keyof TrayLines;
  readonly mine: string;
  readonly theirs: string;
}

const saidOf = (line: keyof TrayLines, value: string): string =>
  line === 'fate' ? (FATES.find(([code]) => code === value)?.[1] ?? value) : value || 'nothing';

/** A line of a part of which this device and another hold different words; null where none is. */
function useLineConflict(partId: string): {
  readonly conflict: LineConflict | null;
  readonly place: string | null;
} {
  const { writes } = useKeeperState();
  for (const [line] of [...LINES, ['fate'] as const]) {
    const place = partLinesPlace(partId, line);
    const met = writes.find((each) => each.place === place && each.status.state === 'conflict');
    if (!met) continue;
    // What waits at such a place is a change of that line.
    const mine = String((met.input as TrayChangeForm).change[line] ?? '');
    return { conflict: { line, mine, theirs: String(theirsOf(met)?.[line] ?? '') }, place };
  }
  return { conflict: null, place: null };
}

/** What another screen wrote in a line meanwhile, and the choice which shall stand. */
function LineChoice({
  conflict,
  onSettle,
}: {
  readonly conflict: LineConflict;
  readonly onSettle: (isMine: boolean) => void;
}) {
  const { line, mine, theirs } = conflict;
  return (
    <div className="zh-stop mb-2" role="alert">
      Another screen wrote “{saidOf(line, theirs)}” here meanwhile; you wrote “{saidOf(line, mine)}
      ”.{' '}
      <Button type="button" variant="primary" onClick={() => onSettle(false)}>
        Leave theirs
      </Button>{' '}
      <Button type="button" variant="outline-secondary" onClick={() => onSettle(true)}>
        Write mine
      </Button>
    </div>
  );
}

/** One part in the tray: how it sat, what becomes of it, its photos. */
export function TrayRow({ jobId, corner, part }: TrayPlace & { readonly part: TrayPart }) {
  const lines = useSend(changePart);
  const away = useSend(dropPart);
  const { conflict, place } = useLineConflict(part.id);
  const busy = lines.busy || away.busy;
  const trouble = conflict ? null : (lines.trouble ?? away.trouble);
  const write = (line: keyof TrayLines, mine: string, was: string): void => {
    const change = { partId: part.id, was: { [line]: was }, change: { [line]: mine } };
    lines.send([jobId, change]);
  };
  const settle = (isMine: boolean): void => {
    if (conflict && isMine) write(conflict.line, conflict.mine, conflict.theirs);
    else if (place !== null) {
      lines.clear();
      void dropWriteAt(place);
    }
  };
  const drop = (): void => away.send([jobId, part.id]);
  return (
    <li className={styles.trayRow} aria-label={part.name}>
      <div className="zh-row">
        <strong>{part.name}</strong>
        <span className="zh-muted">
          {part.by && `off by ${part.by}`}
          {part.back && ` · back on ${part.back}`}
        </span>
      </div>
      {conflict && <LineChoice conflict={conflict} onSettle={settle} />}
      <div className={styles.trayLines}>
        {LINES.map(([line, label]) => (
          <Form.Control
            key={`${line} ${part[line]}`}
            aria-label={`${label}: ${part.name}`}
            placeholder={label}
            autoComplete="off"
            defaultValue={part[line]}
            onBlur={({ target }) =>
              target.value !== part[line] && write(line, target.value, part[line])
            }
          />
        ))}
        <Form.Select
          aria-label={`What becomes of it: ${part.name}`}
          value={part.fate}
          disabled={busy}
          onChange={({ target }) => write('fate', target.value, part.fate)}
        >
          {FATES.map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </Form.Select>
      </div>
      <div className="d-flex flex-wrap gap-2 align-items-center">
        <PhotoStrip
          jobId={jobId}
          corner={corner}
          partId={part.id}
          of={part.name}
          photos={part.photos}
        />
        <Button type="button" variant="link" disabled={busy} onClick={drop}>
          Was not taken off<span className="visually-hidden">: {part.name}</span>
        </Button>
      </div>
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </li>
  );
}

interface TakeOffProps extends TrayPlace {
  readonly choices: readonly PartChoice[];
  readonly parts: readonly TrayPart[];
}

/** Parts that come off now, each put into the tray by one tap, with those that are in it. */
export function TakeOff({ jobId, corner, choices, parts }: TakeOffProps) {
  const { send, busy, trouble } = useSend(takeOffPart);
  const put = ({ code, name, places, fate }: PartChoice): void => {
    const [place = ''] = places;
    send([{ jobId, corner, kind: code, name, place, fate, orientation: '', mark: '' }]);
  };
  const isIn = (code: string): boolean => parts.some(({ kind }) => kind === code);
  return (
    <section aria-label="Parts that come off">
      <div className={`${asking.answers} mb-2`}>
        {choices
          .filter(({ code }) => !isIn(code))
          .map((choice) => (
            <Button
              key={choice.code}
              type="button"
              variant="outline-secondary"
              disabled={busy}
              onClick={() => put(choice)}
            >
              {choice.name} → tray
            </Button>
          ))}
      </div>
      {trouble && (
        <p className="zh-error" role="alert">
          {trouble}
        </p>
      )}
      <ul className="list-unstyled mb-0">
        {parts
          .filter(({ kind }) => choices.some(({ code }) => code === kind))
          .map((part) => (
            <TrayRow key={part.id} jobId={jobId} corner={corner} part={part} />
          ))}
      </ul>
    </section>
  );
}

/** Everything in the tray of a corner, and any other part that comes off. */
export function Tray({ jobId, corner, choices, parts }: TakeOffProps) {
  const [name, setName] = useState('');
  const { send, busy, trouble } = useSend(takeOffPart);
  const add = (): void =>
    send(
      [
        {
          ...{ jobId, corner, kind: null, name, fate: 'reuse' },
          ...{ place: '', orientation: '', mark: '' },
        },
      ],
      () => setName(''),
    );
  const left = parts.filter(({ back }) => back === null).length;
  return (
    <>
      <p role="status">
        {left === 0
          ? 'The tray is empty.'
          : `${left} ${left === 1 ? 'part is' : 'parts are'} in the tray. It must be empty when the corner is built again.`}
      </p>
      <ul className="list-unstyled">
        {parts.map((part) => (
          <TrayRow key={part.id} jobId={jobId} corner={corner} part={part} />
        ))}
      </ul>
      <TakeOff
        jobId={jobId}
        corner={corner}
        choices={choices.filter(({ code }) => !parts.some(({ kind }) => kind === code))}
        parts={[]}
      />
      <form
        className="zh-row justify-content-start"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== '') add();
        }}
      >
        <Form.Control
          className={picks.name}
          aria-label="Another part"
          placeholder="Another part"
          autoComplete="off"
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
        <Button type="submit" variant="outline-secondary" disabled={busy || name.trim() === ''}>
          → tray
        </Button>
        {trouble && <span className="zh-error">{trouble}</span>}
      </form>
    </>
  );
}
