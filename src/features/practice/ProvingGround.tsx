'use client';

import { useEffect, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { assumedItems, POLICIES, provingPlan, provingValues, DEMO_SHOP } from '@/core/bench';
import type { Shop } from '@/core/options';
import type { UnitSystem } from '@/core/units';
import { Progress } from '@/ui/Progress';
import { NOT_BEGUN, startProving, type ProvingState } from '@/workers/provingClient';
import { ProvingForm, type ProvingChoice } from './ProvingForm';
import { ProvingResult } from './ProvingResult';

interface ProvingGroundProps {
  readonly shop: Shop;
  readonly units: UnitSystem;
}

const COUNTS = [200, 1000, 5000, 20_000];

/** A study as it runs: begun with a plan, stopped by hand or by leaving, its state as it stands. */
function useStudy() {
  const [state, setState] = useState<ProvingState | null>(null);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);
  return {
    state,
    /** How far it is while it runs. */
    running: state && !state.isOver ? state : null,
    begin: (...[plan, corners]: [Parameters<typeof startProving>[0], number]) => {
      stop.current();
      setState(NOT_BEGUN);
      stop.current = startProving(plan, corners, setState);
    },
    cancel: () => stop.current(),
  };
}

/** Ways of working tried on many corners whose truth is known, before one is tried on a customer. */
export function ProvingGround({ shop, units }: ProvingGroundProps) {
  const [choice, setChoice] = useState<ProvingChoice>(() => ({
    values: provingValues(shop),
    policies: POLICIES,
  }));
  const [corners, setCorners] = useState(200);
  const [asked, setAsked] = useState({ choice, corners });
  const { state, running, begin, cancel } = useStudy();
  const isRunning = running !== null;
  const currency = shop.prices.currency || DEMO_SHOP.prices.currency;
  const none = choice.policies.length === 0;
  const isStale = state !== null && asked.choice !== choice;
  return (
    <>
      <div className="d-flex flex-wrap gap-2 align-items-end mb-3 zh-no-print">
        <div>
          <Form.Label htmlFor="proving-count">Corners</Form.Label>
          <Form.Select
            id="proving-count"
            className="w-auto"
            value={corners}
            disabled={isRunning}
            onChange={({ target }) => setCorners(Number(target.value))}
          >
            {COUNTS.map((count) => (
              <option key={count} value={count}>
                {count.toLocaleString('en')}
              </option>
            ))}
          </Form.Select>
        </div>
        {isRunning ? (
          <Button variant="outline-secondary" onClick={cancel}>
            Stop here
          </Button>
        ) : (
          <Button
            disabled={none}
            onClick={() => {
              setAsked({ choice, corners });
              begin(provingPlan(shop, choice.values, choice.policies), corners);
            }}
          >
            Try it
          </Button>
        )}
        {state && (
          <Button variant="outline-secondary" disabled={isRunning} onClick={() => window.print()}>
            Print
          </Button>
        )}
      </div>
      {none && <p className="zh-error">Choose one way of working at least.</p>}
      {running && (
        <div className="mb-3">
          <Progress name="Corners tried" now={running.done} max={asked.corners} />
          <p className="mb-0">
            <span className="zh-figure">{running.done.toLocaleString('en')}</span> of{' '}
            {asked.corners.toLocaleString('en')}
          </p>
        </div>
      )}
      <p role="status" className={state?.trouble ? 'zh-error' : 'visually-hidden'}>
        {state?.trouble ?? (state?.isOver ? `${state.done} corners were tried.` : '')}
      </p>
      {isStale && <p className="zh-muted">The figures below were changed since: try it again.</p>}
      {state && (
        <ProvingResult
          {...{ state, currency }}
          policies={asked.choice.policies}
          assumed={assumedItems(shop)}
        />
      )}
      <ProvingForm
        {...{ choice, shop, units, currency }}
        disabled={isRunning}
        onChange={setChoice}
      />
    </>
  );
}
