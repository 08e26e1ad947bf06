import { keepDeviceText, useDeviceText } from '@/ui/deviceText';

const STORED = 'zh-quick-digits';
const ON = 'on';

/** Whether two digits take a thickness by themselves at this device: off until somebody wants it. */
export const useQuickDigits = (): boolean => useDeviceText(STORED) === ON;
export const keepQuickDigits = (isOn: boolean): void => keepDeviceText(STORED, isOn ? ON : null);
