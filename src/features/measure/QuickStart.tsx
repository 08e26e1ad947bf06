import { useEffect, useRef } from 'react';
import { Button } from 'react-bootstrap';
import { KIND_NAME } from './model';
import type { SetPlan } from './plan';

/** Begins the next set of a quick check: nothing is asked before it. */
export function QuickStart({
  plan,
  canSweep = false,
  onStart,
  onSweep,
}: {
  readonly plan: SetPlan;
  /** The dial sends readings by itself: a lap can be one slow turn. */
  readonly canSweep?: boolean;
  readonly onStart: () => void;
  readonly onSweep?: () => void;
}) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => button.current?.focus({ preventScroll: true }), []);
  return (
    <div className="zh-card">
      <div className="d-flex flex-wrap gap-2">
        <Button ref={button} onClick={onStart}>
          {plan.sweep
            ? 'Sweep the next one in one slow turn'
            : `Read ${KIND_NAME[plan.kind].toLowerCase()}, ${plan.positions} places`}
        </Button>
        {canSweep && !plan.sweep && (
          <Button variant="outline-secondary" onClick={onSweep}>
            Sweep it in one slow turn
          </Button>
        )}
      </div>
      <p className="zh-muted mb-0 mt-2">
        Neutral, other axle chocked, hands clear of the wheel while it turns. A hot rotor burns.
      </p>
    </div>
  );
}
