import { useState } from 'react';
import { sayMove } from '@/core/assessment';
import { NextThing } from '@/ui/shell';
import type { SetPlan } from './plan';
import { QuickStart } from './QuickStart';
import { SetStarter } from './SetStarter';
import { sendsByItself } from './useStarter';
import type { BenchView } from './useBenchView';

/**
 * The plan that is being prepared. It follows what is known of the corner until something of it was chosen or typed;
 * from then on what comes in from elsewhere moves nothing of it, only what is asked for here does.
 */
function usePlanInHand({ plan, asked }: BenchView['next']) {
  const [held, setHeld] = useState<{ readonly plan: SetPlan; readonly asked: SetPlan | null }>();
  const inHand = held?.asked === asked ? held.plan : plan;
  return { plan: inHand, hold: (): void => setHeld({ plan: inHand, asked }) };
}

/** What begins the next set; a move that comes before it is said first. */
export function BenchStarter({
  view,
}: {
  readonly view: Pick<BenchView, 'corner' | 'move' | 'next' | 'advice' | 'advised'>;
}) {
  const { corner, move, next, advice, advised } = view;
  const { plan, hold } = usePlanInHand(next);
  const words = move && sayMove(corner, move.from, plan.shift);
  const isCure = advice?.kind === 'index' && advised?.to === plan.shift;
  return (
    <>
      {words && (
        <NextThing
          todo={`Move the rotor ${words}, then start.`}
          why={
            isCure
              ? 'It is cured once it reads so there.'
              : 'A second mounting tells the hub’s share from the rotor’s.'
          }
        />
      )}
      {corner.isCheck ? (
        <QuickStart
          plan={plan}
          canSweep={plan.kind !== 'thickness' && sendsByItself(plan, corner)}
          onStart={() => next.begin(plan)}
          onSweep={() => next.begin({ ...plan, sweep: true, angles: null })}
        />
      ) : (
        <SetStarter
          key={JSON.stringify(plan)}
          corner={corner}
          plan={plan}
          onTouch={hold}
          onStart={(chosen) => next.begin(chosen)}
        />
      )}
    </>
  );
}
