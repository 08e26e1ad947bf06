import { useEffect, useRef } from 'react';
import { Button } from 'react-bootstrap';
import { KIND_NAME } from './model';
import type { SetPlan } from './plan';

/** Begins the next set of a quick check: nothing is asked before it. */
export function QuickStart({
  plan,
  onStart,
}: {
  readonly plan: SetPlan;
  readonly onStart: () => void;
}) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => button.current?.focus({ preventScroll: true }), []);
  return (
    <div className="zh-card">
      <Button ref={button} onClick={onStart}>
        Read {KIND_NAME[plan.kind].toLowerCase()}, {plan.positions} places
      </Button>
      <p className="zh-muted mb-0 mt-2">
        Neutral, other axle chocked, hands clear of the wheel while it turns. A hot rotor burns.
      </p>
    </div>
  );
}
