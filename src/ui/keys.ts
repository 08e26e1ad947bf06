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

/** Whether a key is nobody’s yet: not typed into a field, not the browser’s, not taken by what has the focus. */
export const isFree = (event: KeyboardEvent): boolean =>
  !event.defaultPrevented &&
  !event.ctrlKey &&
  !event.metaKey &&
  !event.altKey &&
  !(event.target instanceof HTMLElement && event.target.closest('input, textarea, select'));
