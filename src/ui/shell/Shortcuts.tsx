'use client';

import { Button } from 'react-bootstrap';
import { Keyboard } from 'lucide-react';
import Link from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import {
  hasSingleKeys,
  isFree,
  isKeyFor,
  KEY_USES,
  SINGLE_KEYS,
  setSingleKeys,
  useKeyFor,
  useSingleKeys,
  type KeyUse,
} from '../keys';
import { KeyChoices } from './KeyChoices';
import { STAGE_KEY, stageName, type StageKey } from './Trail';
import shell from './shell.module.css';
import picks from './picks.module.css';

/** Pages by the letter after g; a letter stays the same as stages come and go. */
const PAGES: Readonly<Record<string, readonly [path: string, what: string]>> = {
  j: ['/', 'the jobs'],
  f: ['/find', 'find a job'],
  d: ['/due', 'what is due'],
  i: ['/insights', 'the insights'],
  v: ['/vehicles', 'the vehicles'],
  k: ['/knowledge', 'the knowledge'],
  w: ['/workshop', 'the workshop: people and house rules'],
};

const LIST: readonly (readonly [string, string])[] = [
  ['Enter', 'take the reading and go to the next; press the marked button'],
  ['\u2191 \u2193', 'go to the reading before or after'],
  ['F2', 'take the correction that is offered for a reading'],
  ['Ctrl K', 'to any job or vehicle by a few letters (⌘ K)'],
  ['0 \u2013 9', 'on the bench the reading that is next; on a question or a look its answer'],
  ['Esc', 'leave the questions'],
];

/** What follows the key that goes to places. */
const PLACES: readonly (readonly [string, string])[] = [
  ...Object.entries(STAGE_KEY).map(
    ([stage, key]) => [key, `${stageName(stage as StageKey).toLowerCase()}, in a job`] as const,
  ),
  ...Object.entries(PAGES).map(([key, [, what]]) => [key, what] as const),
];

/** Where a key leads when nothing is typed; null when it leads nowhere. */
function pathOfKey(key: string, before: string): string | null {
  if (!isKeyFor('go', before)) {
    if (isKeyFor('job', key)) return '/jobs/new';
    return isKeyFor('check', key) ? '/checks/new' : null;
  }
  const stage = document.querySelector(`nav a[data-key="${CSS.escape(key)}"]`);
  return stage?.getAttribute('href') ?? PAGES[key]?.[0] ?? null;
}

/** Opens the list at its beginning: its first control stands below it. */
function open(list: HTMLDialogElement | null): void {
  list?.showModal();
  list?.focus();
}

function Row({ name, what }: { readonly name: string; readonly what: string }) {
  return (
    <div className="d-flex gap-3">
      <dt className="zh-figure">{name}</dt>
      <dd>{what}</dd>
    </div>
  );
}

/** A key of one letter, by the letter that it has here. */
const SingleRow = ({ use }: { readonly use: KeyUse }) => (
  <Row name={useKeyFor(use)} what={SINGLE_KEYS[use].what} />
);

/** The keys that work everywhere, and the list of them. */
export function Shortcuts() {
  const dialog = useRef<HTMLDialogElement>(null);
  const router = useRouter();
  const isOn = useSingleKeys();
  const go = useKeyFor('go');
  useEffect(() => {
    let before = '';
    const listen = (event: KeyboardEvent): void => {
      if (!isFree(event) || !hasSingleKeys()) return;
      if (isKeyFor('list', event.key)) {
        event.preventDefault();
        open(dialog.current);
        return;
      }
      const place = dialog.current?.open ? null : pathOfKey(event.key, before);
      before = event.key;
      if (place) router.push(place);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [router]);
  return (
    <>
      <Button
        type="button"
        variant="outline-secondary"
        className="d-none d-md-inline-block"
        onClick={() => open(dialog.current)}
        title="Keys ( ? )"
      >
        <Keyboard size={20} aria-hidden="true" />
        <span className="visually-hidden">List of keys</span>
      </Button>
      <dialog ref={dialog} className="zh-card" aria-labelledby="zh-keys" tabIndex={-1}>
        <h2 id="zh-keys">Keys</h2>
        <dl className={shell.keys}>
          {LIST.map(([key, what]) => (
            <Row key={key} {...{ name: key, what }} />
          ))}
          {KEY_USES.map((use) => (
            <SingleRow key={use} use={use} />
          ))}
          {PLACES.map(([key, what]) => (
            <Row key={key} {...{ name: `${go} ${key}`, what }} />
          ))}
        </dl>
        <label className={`${picks.check} mb-2`}>
          <input
            type="checkbox"
            checked={isOn}
            onChange={({ target }) => setSingleKeys(target.checked)}
          />{' '}
          Keys of one letter work at this device
        </label>
        <KeyChoices />
        <form method="dialog" className="d-flex gap-3 align-items-center">
          <Button type="submit" variant="primary">
            Close
          </Button>
          <Link className="zh-link" href="/guide" onClick={() => dialog.current?.close()}>
            The guide, in the order of work
          </Link>
        </form>
      </dialog>
    </>
  );
}
