import { useState, type KeyboardEvent } from 'react';

const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
  Home: -Infinity,
  End: Infinity,
};

/** What one of several things takes to be among those that arrows walk through. */
export interface Roved {
  readonly tabIndex: 0 | -1;
  readonly 'data-roved': number;
  readonly onFocus: () => void;
  readonly onKeyDown: (event: KeyboardEvent<Element>) => void;
}

/**
 * Several things as one stop of the Tab key: arrows, Home and End walk through them, and Tab comes
 * back to where one was. `start` is the one that Tab comes to first; `group` selects what holds them.
 */
export function useRoving(count: number, start: number, group: string): (index: number) => Roved {
  const [last, setLast] = useState<number | null>(null);
  const stop = Math.min(last ?? start, count - 1);
  return (index) => ({
    tabIndex: index === stop ? 0 : -1,
    'data-roved': index,
    onFocus: () => setLast(index),
    onKeyDown: (event) => {
      // As in a table of figures F2 opens the one that has the focus.
      if (event.key === 'F2' && event.currentTarget instanceof HTMLElement) {
        event.stopPropagation();
        event.currentTarget.click();
        return;
      }
      const by = STEPS[event.key];
      if (by === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      const next = Math.max(0, Math.min(count - 1, index + by));
      event.currentTarget
        .closest(group)
        ?.querySelector<HTMLElement | SVGElement>(`[data-roved="${next}"]`)
        ?.focus();
    },
  });
}
