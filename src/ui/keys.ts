import { deviceText, keepDeviceText, useDeviceText } from './deviceText';

/** Keys of one letter or figure that do something by themselves; on unless somebody turned them off. */
const STORED = 'zh-single-keys';
const OFF = 'off';

/** Whether keys of one letter do something at this device. */
export const hasSingleKeys = (): boolean => deviceText(STORED) !== OFF;

/** Turns keys of one letter on or off at this device. */
export const setSingleKeys = (isOn: boolean): void => keepDeviceText(STORED, isOn ? null : OFF);

/** Whether keys of one letter are on, as it changes. */
export const useSingleKeys = (): boolean => useDeviceText(STORED) !== OFF;

/** What a key of one letter does, and the letter that it has unless another is chosen. */
export const SINGLE_KEYS = {
  list: { usual: '?', what: 'this list' },
  job: { usual: 'n', what: 'new job' },
  check: { usual: 'q', what: 'quick check: a corner without a vehicle' },
  go: { usual: 'g', what: 'before the letter of a stage or a page' },
  firm: { usual: 'f', what: 'at the pedal: it is firm' },
  hold: { usual: 'h', what: 'at the pedal: start the minute' },
  held: { usual: 'y', what: 'at the pedal: it did not sink' },
  sank: { usual: 's', what: 'at the pedal: it sank' },
  level: { usual: 'l', what: 'at the pedal: level set' },
} as const;

export type KeyUse = keyof typeof SINGLE_KEYS;

export const KEY_USES = Object.keys(SINGLE_KEYS) as KeyUse[];

const storedAs = (use: KeyUse): string => `zh-key-${use}`;

/** The letter that does something at this device. */
export const keyFor = (use: KeyUse): string => deviceText(storedAs(use)) ?? SINGLE_KEYS[use].usual;

/** The same, as it changes. */
export const useKeyFor = (use: KeyUse): string =>
  useDeviceText(storedAs(use)) ?? SINGLE_KEYS[use].usual;

/** Whether a key that was pressed does something: capitals count as their letter. */
export const isKeyFor = (use: KeyUse, pressed: string): boolean =>
  pressed.toLowerCase() === keyFor(use);

/** Chooses another letter at this device; answers why it cannot be that one, or null. */
export function chooseKey(use: KeyUse, letter: string): string | null {
  const key = letter.trim().toLowerCase();
  if ([...key].length !== 1) return 'One letter.';
  if (/[-+.,0-9]/.test(key)) return 'Figures and signs are readings.';
  const other = KEY_USES.find((each) => each !== use && keyFor(each) === key);
  if (other) return `“${key}” is taken: ${SINGLE_KEYS[other].what}.`;
  keepDeviceText(storedAs(use), key === SINGLE_KEYS[use].usual ? null : key);
  return null;
}

/** Whether a key is nobody’s yet: not typed into a field, not the browser’s, not taken by what has the focus. */
export const isFree = (event: KeyboardEvent): boolean =>
  !event.defaultPrevented &&
  !event.ctrlKey &&
  !event.metaKey &&
  !event.altKey &&
  !(event.target instanceof HTMLElement && event.target.closest('input, textarea, select'));
