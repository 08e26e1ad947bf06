import dynamic from 'next/dynamic';
import { BeyondLadder } from './BeyondLadder';
import { Doubt } from './Doubt';
import { nextShift } from './likely';
import { SweptLaps } from './sweep/SweptLaps';
import { doubtedReading, type BenchSet } from './model';
import { planFor, planOf } from './plan';
import { QuickDigitsChoice } from './QuickDigitsChoice';
import { ReadingLadder } from './ReadingLadder';
import { advisedStep, asksOf, toldBelowDiscard } from './result';
import { SaveStatus } from './SaveStatus';
import { SeatDoubt } from './SeatDoubt';
import { SetDetailsForm } from './SetDetailsForm';
import { SetDone } from './SetDone';
import { toldAtEntry } from './solve';
import { SoundChoice } from './SoundChoice';
import type { BenchView } from './useBenchView';
import styles from './measure.module.css';

// What not every set needs is loaded when it is asked for.
// Without something to show meanwhile the whole page would wait for the file. The page itself has none of them: the build
// names files for them there that it does not make, of what is loaded by what is loaded itself.
const GaugePanel = dynamic(() => import('./GaugePanel').then((module) => module.GaugePanel), {
  loading: () => null,
  ssr: false,
});

const SweepEntry = dynamic(() => import('./sweep/SweepEntry').then((module) => module.SweepEntry), {
  loading: () => null,
  ssr: false,
});

interface BenchEntryProps {
  readonly view: BenchView;
  readonly set: BenchSet;
  readonly nextHref: string;
  readonly nextLabel: string;
}

/** What the corner as a whole asks for, in one sentence. */
function todoOf({ corner, words }: BenchView): string {
  if (corner.only === 'thickness') return 'Nothing else is asked for.';
  return words?.todo ?? 'Kept apart from the cleaned readings.';
}

/** What follows a set that was read to its end. */
function AfterSet({ view, set, nextHref, nextLabel }: BenchEntryProps) {
  const { corner, bench, result, advice, advised, missing, next } = view;
  // As found, and in a case that asks for the corner as it is marked, no other seat is read.
  const isFixed = corner.phase === 'as-found' || corner.isSeatFixed;
  const mounting = isFixed ? null : nextShift(bench.state.sets, corner);
  return (
    <SetDone
      {...{ set, corner, missing, nextHref, nextLabel }}
      asks={asksOf(result)}
      advised={advisedStep(result, advice)}
      todo={todoOf(view)}
      onMissing={() => missing && next.ask(planFor(missing, planOf(set), corner))}
      onLap={bench.anotherLap}
      // As found nothing is moved.
      onMounting={mounting === null ? null : () => next.askMounting(mounting)}
      // A job goes to Decide first; a check is read again where it was moved to.
      onMoved={
        corner.isCheck && advice?.kind === 'index' && advised
          ? () => next.askMounting(advised.to)
          : null
      }
      onRepeat={() => next.askAgain('taken again')}
      onReadOn={bench.readOn}
      onPressed={bench.sayPressed}
    />
  );
}

/** The sweep while a set is swept; once a set is read what follows, or where it sits if that is doubted. */
function Entry(props: BenchEntryProps) {
  const { view, set } = props;
  const { corner, bench, judged } = view;
  const { state, dispatch } = bench;
  if (state.cursor && set.sweeps) {
    const { lap } = state.cursor;
    return (
      <SweepEntry
        key={`${set.id} ${lap}`}
        {...{ set, corner, lap }}
        onBegun={view.beginSweep}
        onSwept={(sweep) => view.takeSweep(lap, sweep)}
        onDraw={view.setCurve}
      />
    );
  }
  // The field for a reading stands above it.
  if (state.cursor) return null;
  if (!view.isSeatAsked || !judged) return <AfterSet {...props} />;
  return (
    <SeatDoubt
      corner={corner}
      sets={state.sets}
      judged={judged}
      onChange={(changed) => dispatch({ type: 'replace-set', set: changed })}
    />
  );
}

/** One set but for the field that it is read in: what follows it, its gauge, and everything that was read of it. */
export function BenchEntry(props: BenchEntryProps) {
  const { view, set } = props;
  const { corner, bench, suspects } = view;
  const { state, dispatch } = bench;
  const replace = (changed: BenchSet): void => dispatch({ type: 'replace-set', set: changed });
  // A set that was read to its end says it in its verdict.
  const below = state.cursor ? toldBelowDiscard(set, corner) : null;
  const doubted = state.cursor ? null : doubtedReading(set, null, corner);
  const ladder = {
    ...{ set, corner, cursor: state.cursor },
    onPick: (cursor: NonNullable<typeof state.cursor>) => dispatch({ type: 'pick-place', cursor }),
  };
  return (
    <>
      <Entry {...props} />
      {below && (
        <p className={`zh-stop mb-0 ${styles.told}`} role="alert">
          {below}
        </p>
      )}
      {toldAtEntry(view.result, corner).map((told) => (
        <p key={told} className={`zh-error mb-0 ${styles.told}`} role="status">
          {told}
        </p>
      ))}
      {doubted && <Doubt doubted={doubted} onCorrect={bench.correct} />}
      {view.isLive && !set.sweeps && (
        <GaugePanel
          {...{ set, corner, cursor: state.cursor }}
          onShows={(shown) => view.setLive({ setId: set.id, shown })}
          onTake={view.takeShown}
          onReading={bench.pressEnter}
          onNoted={replace}
        />
      )}
      {set.sweeps ? (
        <SweptLaps set={set} />
      ) : (
        <>
          {Array.from({ length: set.laps }, (_, lap) => (
            <ReadingLadder key={lap} {...ladder} lap={lap} suspects={suspects} />
          ))}
          <BeyondLadder {...ladder} />
        </>
      )}
      <SaveStatus save={bench.save} />
      <SoundChoice />
      {set.kind === 'thickness' && <QuickDigitsChoice />}
      <SetDetailsForm key={set.id} set={set} corner={corner} onChange={replace} />
    </>
  );
}
