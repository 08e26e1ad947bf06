import { useRef, useState } from 'react';
import { mayBeginWhole } from '@/core/readings';
import { keepDeviceText, useDeviceText } from '@/ui/deviceText';

const STORED = 'zh-quick-digits';
const OFF = 'off';

/** Whether two digits may take a thickness by themselves at this device. */
export const useQuickDigits = (): boolean => useDeviceText(STORED) !== OFF;
export const keepQuickDigits = (isOn: boolean): void => keepDeviceText(STORED, isOn ? null : OFF);

/** Places of a set that were keyed by two digits and Enter, after which two digits are enough. */
const LEARNT = 2;
/** An Enter so soon after belongs to what was taken, and so does one more digit. */
const HABIT_MS = 700;

/**
 * Swallows the Enter of somebody who goes on pressing it after what was taken by itself, and says so: what has the
 * focus next must not be pressed by it.
 */
function swallowEnter(said: () => void): void {
  const armed = performance.now();
  const listen = (event: KeyboardEvent): void => {
    // When it was pressed, however long the page was at work since.
    const pressed = Math.min(event.timeStamp, performance.now());
    const isHabit = event.key === 'Enter' && pressed - armed < HABIT_MS;
    if (isHabit) {
      said();
      event.preventDefault();
      event.stopImmediatePropagation();
    }
    // One key alone: whatever comes is the next figure’s.
    window.removeEventListener('keydown', listen, { capture: true });
  };
  window.addEventListener('keydown', listen, { capture: true });
}

interface TwoDigits {
  /** Two digits are taken by themselves now. */
  readonly isQuick: boolean;
  /** Is told what Enter takes: whether it was two digits. */
  readonly learn: (typed: string) => void;
  /**
   * What is to be done with what stands in the field now: it is taken, or it goes on from the one before, which is
   * then to be typed anew as it says; null where nothing is.
   */
  readonly heed: (typed: string) => { readonly as: 'taken' | 'more'; readonly text: string } | null;
}

/**
 * Learns how somebody keys the thickness of a set at a keyboard: whose places are two digits and Enter, twice running,
 * need not press Enter any more while `isWanted`. `writtenOut` says what a short entry means in full.
 */
export function useTwoDigits(
  setId: string,
  isWanted: boolean,
  writtenOut: (text: string) => string,
): TwoDigits {
  const [learnt, setLearnt] = useState({ setId, shorts: 0 });
  const taken = useRef<{ readonly text: string; readonly at: number } | null>(null);
  const shorts = learnt.setId === setId ? learnt.shorts : 0;
  const isShort = (text: string): boolean => /^\d{2}$/.test(text) && writtenOut(text) !== text;
  const isQuick = isWanted && shorts >= LEARNT;
  return {
    isQuick,
    learn: (typed) => {
      taken.current = null;
      setLearnt({ setId, shorts: isShort(typed) ? shorts + 1 : 0 });
    },
    heed: (typed) => {
      const before = taken.current;
      taken.current = null;
      if (!isQuick) return null;
      const isMore = before !== null && /^\d$/.test(typed);
      if (isMore && performance.now() - before.at < HABIT_MS) {
        return { as: 'more', text: before.text + typed };
      }
      if (!isShort(typed) || mayBeginWhole(typed, writtenOut(typed))) return null;
      taken.current = { text: typed, at: performance.now() };
      swallowEnter(() => void (taken.current = null));
      return { as: 'taken', text: typed };
    },
  };
}
