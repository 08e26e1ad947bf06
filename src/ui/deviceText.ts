import { useSyncExternalStore } from 'react';

const CHANGED = 'zh-device-text';

/** A short text that this device remembers; null where it has none, or keeps nothing. */
export function deviceText(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Remembers a text at this device; null forgets it. A device that keeps nothing goes on without. */
export function keepDeviceText(key: string, text: string | null): void {
  try {
    if (text === null) localStorage.removeItem(key);
    else localStorage.setItem(key, text);
  } catch {
    return;
  }
  window.dispatchEvent(new Event(CHANGED));
}

function listen(onChange: () => void): () => void {
  for (const event of [CHANGED, 'storage']) window.addEventListener(event, onChange);
  return () => {
    for (const event of [CHANGED, 'storage']) window.removeEventListener(event, onChange);
  };
}

/** A text of this device as it changes, in any tab; null while the server renders. */
export const useDeviceText = (key: string): string | null =>
  useSyncExternalStore(
    listen,
    () => deviceText(key),
    () => null,
  );
