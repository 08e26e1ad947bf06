'use client';

import { Keyboard } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { hasSingleKeys, isFree, setSingleKeys, useSingleKeys } from '../keys';
import { STAGE_KEY, stageName, type StageKey } from './Trail';

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
  ['?', 'this list'],
  ['Enter', 'take the reading and go to the next; press the marked button'],
  ['\u2191 \u2193', 'go to the reading before or after'],
  ['F2', 'take the correction that is offered for a reading'],
  ['Ctrl K', 'to any job or vehicle by a few letters (⌘ K)'],
  ['0 \u2013 9', 'on the bench the reading that is next; on a question or a look its answer'],
  ['Esc', 'leave the questions'],
  ['n', 'new job'],
  ['q', 'quick check: a corner without a vehicle'],
  ...Object.entries(STAGE_KEY).map(
    ([stage, key]) =>
      [`g ${key}`, `${stageName(stage as StageKey).toLowerCase()}, in a job`] as const,
  ),
  ...Object.entries(PAGES).map(([key, [, what]]) => [`g ${key}`, what] as const),
];

/** Pages by a letter alone. */
const ALONE: Readonly<Record<string, string>> = { n: '/jobs/new', q: '/checks/new' };

/** Where a key leads when nothing is typed; null when it leads nowhere. */
function pathOfKey(key: string, before: string): string | null {
  if (before !== 'g') return ALONE[key] ?? null;
  const stage = document.querySelector(`.zh-trail a[data-key="${CSS.escape(key)}"]`);
  return stage?.getAttribute('href') ?? PAGES[key]?.[0] ?? null;
}

/** Opens the list at its beginning: its first control stands below it. */
function open(list: HTMLDialogElement | null): void {
  list?.showModal();
  list?.focus();
}

/** The keys that work everywhere, and the list of them. */
export function Shortcuts() {
  const dialog = useRef<HTMLDialogElement>(null);
  const router = useRouter();
  const isOn = useSingleKeys();
  useEffect(() => {
    let before = '';
    const listen = (event: KeyboardEvent): void => {
      if (!isFree(event) || !hasSingleKeys()) return;
      if (event.key === '?') {
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
      <button
        type="button"
        className="btn btn-outline-secondary d-none d-md-inline-block"
        onClick={() => open(dialog.current)}
        title="Keys ( ? )"
      >
        <Keyboard size={20} aria-hidden="true" />
        <span className="visually-hidden">List of keys</span>
      </button>
      <dialog ref={dialog} className="zh-card" aria-labelledby="zh-keys" tabIndex={-1}>
        <h2 id="zh-keys">Keys</h2>
        <dl className="zh-keys">
          {LIST.map(([key, what]) => (
            <div key={key} className="d-flex gap-3">
              <dt className="zh-figure">{key}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <label className="zh-check mb-2">
          <input
            type="checkbox"
            checked={isOn}
            onChange={({ target }) => setSingleKeys(target.checked)}
          />{' '}
          Keys of one letter work at this device (?, n, g and a letter, the letters at the pedal)
        </label>
        <form method="dialog">
          <button className="btn btn-primary">Close</button>
        </form>
      </dialog>
    </>
  );
}
