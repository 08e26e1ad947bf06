import { useCombobox } from 'downshift';
import { useEffect, useState } from 'react';
import { SEARCH_FIELD, searchFor, type SearchProps } from './search';
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

/** The field and the places that its letters lead to; Enter goes to the one chosen. */
export function PlaceField({ text, onText, onGo }: SearchProps) {
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
        onGo(chosen ? chosen.href : searchFor(text));
      }}
    >
      <input
        {...getInputProps({
          ...SEARCH_FIELD,
          // It takes the place of the plain one, at the end of what was typed there.
          onFocus: ({ currentTarget }) => currentTarget.setSelectionRange(text.length, text.length),
          // At once, not when the combobox tells of it: quick keys would be lost in between.
          onChange: ({ currentTarget }) => onText(currentTarget.value),
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
