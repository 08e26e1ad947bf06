import { sayMove } from '@/core/assessment';
import { NextThing } from '@/ui/shell';
import { QuickStart } from './QuickStart';
import { SetStarter } from './SetStarter';
import { sendsByItself } from './useStarter';
import type { BenchView } from './useBenchView';

/** What begins the next set; a move that comes before it is said first. */
export function BenchStarter({ view }: { readonly view: BenchView }) {
  const { corner, move, next, advice, advised } = view;
  const { plan } = next;
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
          onTouch={next.hold}
          onStart={(chosen) => next.begin(chosen)}
        />
      )}
    </>
  );
}
