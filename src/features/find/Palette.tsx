'use client';

import { Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';

/** A place that a few letters lead to. */
interface Place {
  readonly href: string;
  readonly name: string;
  readonly about: string;
}

const WAIT = 150;

/** Asks the server where a text leads; what was asked before is dropped. */
function usePlaces(text: string): readonly Place[] {
  const [places, setPlaces] = useState<readonly Place[]>([]);
  useEffect(() => {
    if (text.trim() === '') return;
    const abort = new AbortController();
    const timer = setTimeout(() => {
      fetch(`/api/v1/find?q=${encodeURIComponent(text)}`, { signal: abort.signal })
        .then((answer) => answer.json())
        .then((found: { places: Place[] }) => setPlaces(found.places))
        // Broken off by the next letter, or no server: what stands there stays.
        .catch(() => undefined);
    }, WAIT);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [text]);
  return text.trim() === '' ? [] : places;
}

/** To any job or vehicle by a few letters: Ctrl or ⌘ and K. */
export function Palette() {
  const dialog = useRef<HTMLDialogElement>(null);
  const router = useRouter();
  const list = useId();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const [isOpen, setOpen] = useState(false);
  const places = usePlaces(text);
  const open = (): void => {
    setText('');
    setAt(0);
    setOpen(true);
    dialog.current?.showModal();
  };
  useEffect(() => {
    const listen = (event: globalThis.KeyboardEvent): void => {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      if (!dialog.current?.open) open();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, []);
  const go = (href: string): void => {
    dialog.current?.close();
    router.push(href);
  };
  const move = (event: KeyboardEvent): void => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    setAt((before) => Math.max(0, Math.min(places.length - 1, before + step)));
  };
  return (
    <>
      <button
        type="button"
        className="btn btn-outline-secondary d-none d-md-inline-block"
        onClick={open}
        title="Find (Ctrl K)"
      >
        <Search size={20} aria-hidden="true" />
        <span className="visually-hidden">Find a job or vehicle</span>
      </button>
      <dialog
        ref={dialog}
        className="zh-card zh-palette"
        aria-label="Go to a job"
        onClose={() => setOpen(false)}
      >
        {isOpen && (
          <form
            onSubmit={(event) => {
              event.preventDefault();
              const place = places[at];
              go(place ? place.href : `/find?q=${encodeURIComponent(text)}`);
            }}
          >
            <input
              className="form-control"
              type="search"
              autoFocus
              role="combobox"
              aria-expanded={places.length > 0}
              aria-controls={list}
              aria-activedescendant={places[at] ? `${list}-${at}` : undefined}
              aria-label="Plate, vehicle, complaint, number"
              placeholder="Plate, vehicle, complaint, number"
              value={text}
              onKeyDown={move}
              onChange={({ target }) => {
                setText(target.value);
                setAt(0);
              }}
            />
            <ul id={list} role="listbox" aria-label="Found" className="zh-places">
              {places.map(({ href, name, about }, i) => (
                <li
                  key={href}
                  id={`${list}-${i}`}
                  role="option"
                  aria-selected={i === at}
                  onClick={() => go(href)}
                >
                  <strong>{name}</strong> <span className="zh-muted">{about}</span>
                </li>
              ))}
            </ul>
            <p className="zh-muted mb-0">
              {text.trim() !== '' && places.length === 0 ? 'Nothing yet. ' : ''}Enter goes there;
              with nothing chosen it opens the search.
            </p>
          </form>
        )}
      </dialog>
    </>
  );
}
