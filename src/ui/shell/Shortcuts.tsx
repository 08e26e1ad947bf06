'use client';

import { Keyboard } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';

const LIST = [
  ['?', 'this list'],
  ['Enter', 'take the reading and go to the next; press the marked button'],
  ['\u2191 \u2193', 'go to the reading before or after'],
  ['F2', 'take the correction that is offered for a reading'],
  ['Ctrl K', 'to any job or vehicle by a few letters (⌘ K)'],
  ['g j', 'go to the jobs'],
  ['g f', 'find a job'],
  ['g d', 'go to what is due'],
  ['g i', 'go to the insights'],
  ['g v', 'go to the vehicles'],
  ['g k', 'go to the knowledge'],
  ['g w', 'go to the workshop: people and house rules'],
  ['n', 'new job'],
  ['1 \u2013 9', 'go to a stage of the job; on a question, give the answer'],
  ['0', 'leave a question open; Esc leaves the questions'],
] as const;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select') !== null;

/** Where a key leads when nothing is typed; null when it leads nowhere. */
function pathOfKey(key: string, before: string): string | null {
  if (before === 'g' && key === 'j') return '/';
  if (before === 'g' && key === 'f') return '/find';
  if (before === 'g' && key === 'd') return '/due';
  if (before === 'g' && key === 'i') return '/insights';
  if (before === 'g' && key === 'v') return '/vehicles';
  if (before === 'g' && key === 'k') return '/knowledge';
  if (before === 'g' && key === 'w') return '/workshop';
  if (key === 'n') return '/jobs/new';
  if (/^[1-9]$/.test(key)) {
    const links = document.querySelectorAll<HTMLAnchorElement>('.zh-trail a');
    return links[Number(key) - 1]?.getAttribute('href') ?? null;
  }
  return null;
}

/** The keys that work everywhere, and the list of them. */
export function Shortcuts() {
  const dialog = useRef<HTMLDialogElement>(null);
  const router = useRouter();
  useEffect(() => {
    let before = '';
    const listen = (event: KeyboardEvent): void => {
      if (
        event.defaultPrevented ||
        isTyping(event.target) ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey
      )
        return;
      if (event.key === '?') {
        event.preventDefault();
        dialog.current?.showModal();
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
        onClick={() => dialog.current?.showModal()}
        title="Keys ( ? )"
      >
        <Keyboard size={20} aria-hidden="true" />
        <span className="visually-hidden">List of keys</span>
      </button>
      <dialog ref={dialog} className="zh-card" aria-labelledby="zh-keys">
        <h2 id="zh-keys">Keys</h2>
        <dl className="zh-keys">
          {LIST.map(([key, what]) => (
            <div key={key} className="d-flex gap-3">
              <dt className="zh-figure">{key}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <form method="dialog">
          <button className="btn btn-primary">Close</button>
        </form>
      </dialog>
    </>
  );
}
