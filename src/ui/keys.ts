import { useSyncExternalStore } from 'react';

/** Keys of one letter or figure that do something by themselves; on unless somebody turned them off. */
const STORED = 'zh-single-keys';
const CHANGED = 'zh-single-keys-changed';

/** Whether keys of one letter do something at this device. */
export function hasSingleKeys(): boolean {
  try {
    return localStorage.getItem(STORED) !== 'off';
  } catch {
    return true;
  }
}

/** Turns keys of one letter on or off at this device. */
export function setSingleKeys(isOn: boolean): void {
  try {
    if (isOn) localStorage.removeItem(STORED);
    else localStorage.setItem(STORED, 'off');
  } catch {
    // A browser that keeps nothing has them on.
  }
  window.dispatchEvent(new Event(CHANGED));
}

function listen(onChange: () => void): () => void {
  window.addEventListener(CHANGED, onChange);
  window.addEventListener('storage', onChange);
  return () => {
    window.removeEventListener(CHANGED, onChange);
    window.removeEventListener('storage', onChange);
  };
}

/** Whether keys of one letter are on, as it changes. */
export const useSingleKeys = (): boolean => useSyncExternalStore(listen, hasSingleKeys, () => true);

/** Whether a key is nobody’s yet: not typed into a field, not the browser’s, not taken by what has the focus. */
export const isFree = (event: KeyboardEvent): boolean =>
  !event.defaultPrevented &&
  !event.ctrlKey &&
  !event.metaKey &&
  !event.altKey &&
  !(event.target instanceof HTMLElement && event.target.closest('input, textarea, select'));
