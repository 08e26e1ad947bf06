'use client';

import { Button } from 'react-bootstrap';
import { useCombobox } from 'downshift';
import { Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import styles from './find.module.css';

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

interface PlaceFieldProps {
  readonly onGo: (href: string) => void;
}

/** The field and the places that its letters lead to; Enter goes to the one chosen. */
function PlaceField({ onGo }: PlaceFieldProps) {
  const [text, setText] = useState('');
  const places = usePlaces(text);
  const { getInputProps, getMenuProps, getItemProps, highlightedIndex } = useCombobox<Place>({
    items: [...places],
    inputValue: text,
    isOpen: places.length > 0,
    defaultHighlightedIndex: 0,
    itemToString: (place) => place?.name ?? '',
    onSelectedItemChange: ({ selectedItem }) => selectedItem && onGo(selectedItem.href),
  });
  const chosen = places[Math.max(0, highlightedIndex)];
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onGo(chosen ? chosen.href : `/find?q=${encodeURIComponent(text)}`);
      }}
    >
      <input
        {...getInputProps({
          className: 'form-control',
          type: 'search',
          autoFocus: true,
          'aria-label': 'Plate, vehicle, complaint, number',
          placeholder: 'Plate, vehicle, complaint, number',
          // At once, not when the combobox tells of it: quick keys would be lost in between.
          onChange: ({ currentTarget }) => setText(currentTarget.value),
        })}
      />
      <ul {...getMenuProps({ 'aria-label': 'Found', className: styles.places })}>
        {places.map((place, index) => (
          <li key={place.href} {...getItemProps({ item: place, index })}>
            <strong>{place.name}</strong> <span className="zh-muted">{place.about}</span>
          </li>
        ))}
      </ul>
      <p className="zh-muted mb-0">
        {text.trim() !== '' && places.length === 0 ? 'Nothing yet. ' : ''}Enter goes there; with
        nothing chosen it opens the search.
      </p>
    </form>
  );
}

/** To any job or vehicle by a few letters: Ctrl or ⌘ and K. */
export function Palette() {
  const dialog = useRef<HTMLDialogElement>(null);
  const router = useRouter();
  const [isOpen, setOpen] = useState(false);
  const open = (): void => {
    setOpen(true);
    dialog.current?.showModal();
  };
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      if (!dialog.current?.open) open();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, []);
  return (
    <>
      <Button
        type="button"
        variant="outline-secondary"
        className="d-none d-md-inline-block"
        onClick={open}
        title="Find (Ctrl K)"
      >
        <Search size={20} aria-hidden="true" />
        <span className="visually-hidden">Find a job or vehicle</span>
      </Button>
      <dialog
        ref={dialog}
        className={`zh-card ${styles.palette}`}
        aria-label="Go to a job"
        onClose={() => setOpen(false)}
      >
        {isOpen && (
          <PlaceField
            onGo={(href) => {
              dialog.current?.close();
              router.push(href);
            }}
          />
        )}
      </dialog>
    </>
  );
}
