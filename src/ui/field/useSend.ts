'use client';

import { useEffect, useRef, useState } from 'react';
import { useRefresh, type KeptAnswer } from '../keeper';

type Refused = Extract<KeptAnswer<unknown>, { readonly ok: false }>;

interface Send<Args extends readonly unknown[], Value> {
  /** Sends it; `then` runs once it is kept by the server. */
  readonly send: (args: Args, then?: (value: Value) => void) => void;
  readonly busy: boolean;
  /** What is wrong with what was sent last, or that it waits for the server; else null. */
  readonly trouble: string | null;
  /** The same by field. */
  readonly fields: Readonly<Record<string, string>>;
  readonly clear: () => void;
}

const WAITS =
  'The server does not answer. It waits on this device and is sent when the server is back.';
const PATIENCE_MS = 2500;

/** Whether something has been under way for so long that the server must be away. */
function useLong(isUnderWay: boolean): boolean {
  const [isLong, setLong] = useState(false);
  useEffect(() => {
    if (!isUnderWay) return;
    const timer = setTimeout(() => setLong(true), PATIENCE_MS);
    return () => {
      clearTimeout(timer);
      setLong(false);
    };
  }, [isUnderWay]);
  return isUnderWay && isLong;
}

/**
 * A button that is out of use while it sends loses the focus: it has it again afterwards, unless the
 * work goes on elsewhere. Answers what remembers it.
 */
function useFocusBack(busy: boolean): () => void {
  const pressed = useRef<Element | null>(null);
  useEffect(() => {
    const element = pressed.current;
    if (busy || element === null) return;
    pressed.current = null;
    const isLost = document.activeElement === null || document.activeElement === document.body;
    if (isLost && element.isConnected && element instanceof HTMLElement) {
      element.focus({ preventScroll: true });
    }
  }, [busy]);
  return () => {
    pressed.current = document.activeElement;
  };
}

/**
 * Sends something by the keeper and says what is wrong with it; the page is loaded anew once it
 * is done. While the server is away it waits on the device, and the screen can be gone on with.
 */
export function useSend<Args extends readonly unknown[], Value>(
  write: (...args: Args) => Promise<KeptAnswer<Value>>,
): Send<Args, Value> {
  const [refused, setRefused] = useState<Refused | null>(null);
  const [underWay, setUnderWay] = useState(0);
  const { refresh, isLoading } = useRefresh();
  const isLong = useLong(underWay > 0);
  const busy = isLoading || (underWay > 0 && !isLong);
  const remember = useFocusBack(busy);
  const send: Send<Args, Value>['send'] = (args, then) => {
    remember();
    setRefused(null);
    setUnderWay((count) => count + 1);
    void write(...args).then((answer) => {
      setUnderWay((count) => count - 1);
      if (!answer.ok) {
        if (!answer.isDropped) setRefused(answer);
        if (answer.theirs === undefined) return;
      }
      refresh();
      if (answer.ok) then?.(answer.value);
    });
  };
  return {
    send,
    busy,
    trouble: refused?.message ?? (isLong ? WAITS : null),
    fields: refused?.fields ?? {},
    clear: () => setRefused(null),
  };
}
