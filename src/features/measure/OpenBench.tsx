'use client';

import { memo, useDeferredValue, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { BenchNose } from './BenchNose';
import { BenchRotor } from './BenchRotor';
import { BenchStarter } from './BenchStarter';
import { LapVerdict } from './LapVerdict';
import type { BenchCorner, BenchSet } from './model';
import { placeName } from './placeName';
import { ReadingEntry } from './ReadingEntry';
import { advisedStep, limitOf } from './result';
import { setName, SetsAside, SetTabs } from './SetTabs';
import { SetToolsFold } from './SetToolsFold';
import { useBenchView, type BenchView } from './useBenchView';
import { useJudging, type Judging } from './useJudging';
import styles from './measure.module.css';

export interface MeasureBenchProps {
  readonly corner: BenchCorner;
  readonly sets: readonly BenchSet[];
  /** Where the next mounting is expected, when the job knows (a move was decided). */
  readonly expectedShift: number | null;
  /** The kind of set that the way here asks for. */
  readonly wanted?: BenchSet['kind'] | undefined;
  readonly nextHref: string;
  readonly nextLabel: string;
  /** What the findings of the whole job point to: in a sentence, and at length. */
  readonly lead: ReactNode;
  readonly scent: ReactNode;
}

/** Whose readings these are, in one line above them, and the way to the whole page. */
function WhereLine({
  set,
  corner,
  isWhole,
  onWhole,
}: {
  readonly set: BenchSet;
  readonly corner: BenchCorner;
  readonly isWhole: boolean;
  readonly onWhole: (isWhole: boolean) => void;
}) {
  return (
    <p className={styles.where}>
      <span className="zh-where-whose">{corner.whose}</span>
      <span className="zh-figure">{corner.corner}</span>
      <span className={styles.whereSet}>{setName(set, corner)}</span>
      <Button variant="link" onClick={() => onWhole(!isWhole)}>
        {isWhole ? 'Readings only' : 'Whole page'}
      </Button>
    </p>
  );
}

/** What is seldom wanted of a set, and the sets that do not count. */
function BenchTools({ view }: { readonly view: BenchView }) {
  const { corner, bench, isReading, next } = view;
  const { state, dispatch } = bench;
  return (
    <>
      {!isReading && !corner.practice && (
        <SetToolsFold
          set={bench.set ?? null}
          sets={state.sets}
          corner={corner}
          onAside={(reason) => bench.putAside(reason)}
          onAgain={next.askAgain}
          onPick={(place) => dispatch({ type: 'pick-place', cursor: place })}
          onImported={(ids) => dispatch({ type: 'pick-set', id: ids.at(-1) ?? null })}
        />
      )}
      <SetsAside sets={state.sets} corner={corner} onTakeBack={bench.takeBack} />
    </>
  );
}

/** The bench as it stands, and what reads and judges its sets; null until that is here. */
interface Parts {
  readonly view: BenchView;
  readonly judging: Judging | null;
}

/** What everything that was read says: the answer of a quick check, or the nose of a job. */
const BenchSays = memo(function BenchSays({
  view,
  judging,
  lead,
  scent,
}: Parts & Pick<MeasureBenchProps, 'lead' | 'scent'>) {
  const { corner, result, judged, words, advice } = view;
  const { set, state } = view.bench;
  if (!corner.isCheck)
    return <BenchNose {...{ judging, corner, result, judged, words, lead, scent }} />;
  if (!judging || !judged || !words) return null;
  const reading =
    set && state.cursor
      ? `${placeName(set, state.cursor.position, corner)}.`
      : judging.sayMore(advisedStep(result, advice));
  return <judging.CheckAnswer assessment={judged.assessment} {...{ words, reading, corner }} />;
});

/** The field and pad while a set is read. It is there with the page: nothing that is typed waits for the rest. */
function ReadingField({ view, set }: { readonly view: BenchView; readonly set: BenchSet }) {
  const { corner, bench, shown } = view;
  const { state, dispatch } = bench;
  if (!state.cursor || set.sweeps) return null;
  return (
    <div className="zh-card">
      <ReadingEntry
        {...{ set, state, corner }}
        onType={(text) => dispatch({ type: 'type', text })}
        onEnter={(text) => {
          const typed = text ?? state.draft;
          if (typed.trim() === '' && shown) view.takeShown();
          else bench.pressEnter(typed);
        }}
        onSkip={() => bench.pressEnter('')}
        onShown={shown ? () => view.takeShown() : null}
        onStep={(by) => dispatch({ type: 'step', by })}
        onCorrect={bench.correct}
      />
    </div>
  );
}

/** The set at hand, or what begins the next one. */
function SetAtHand({
  view,
  judging,
  nextHref,
  nextLabel,
}: Parts & Pick<MeasureBenchProps, 'nextHref' | 'nextLabel'>) {
  const { set } = view.bench;
  if (!set) return <BenchStarter view={view} />;
  return (
    <>
      <ReadingField view={view} set={set} />
      {judging ? (
        <judging.BenchEntry {...{ view, set, nextHref, nextLabel }} />
      ) : (
        <p className="zh-muted" role="status">
          The rest of the bench is on its way.
        </p>
      )}
    </>
  );
}

/** The bench of one corner: read a set, see it on the rotor, hear what it says. */
export function OpenBench(props: MeasureBenchProps) {
  const { corner, sets, expectedShift, wanted, nextHref, nextLabel } = props;
  const judging = useJudging();
  const view = useBenchView({ corner, sets, expectedShift, wanted }, judging);
  const { bench, result, isReading, isAlone } = view;
  const { set, state } = bench;
  // The chart and the nose follow when there is time: what was pressed is answered first.
  const calm = useDeferredValue(view);
  const drawn = useDeferredValue(result);
  const drawnLimit = useDeferredValue(limitOf(set, corner));
  // The whole page can be asked for while readings are taken.
  const [isWhole, setWhole] = useState(false);
  const isShut = isAlone && !isWhole;
  const bare = useRef<HTMLDivElement>(null);
  // The set was begun far down a page that is short now: what is read stands at its top.
  useLayoutEffect(() => {
    const [page, top] = [document.documentElement, bare.current?.getBoundingClientRect().top ?? 0];
    if (isShut && page.scrollTop > 0) page.scrollTop += top;
  }, [isShut]);
  return (
    <div ref={bare} className={isShut ? styles.reading : undefined}>
      {isAlone && set && <WhereLine {...{ set, corner, isWhole }} onWhole={setWhole} />}
      <SetTabs
        sets={state.sets}
        currentId={state.currentId}
        corner={corner}
        onPick={view.next.pick}
      />
      {bench.trouble && (
        <p className="zh-error" role="alert">
          {bench.trouble}
        </p>
      )}
      <p className="visually-hidden" role="status" aria-label="Last reading">
        {view.told}
      </p>
      <div className={styles.bench}>
        <BenchRotor view={view} judging={judging} />
        <section className={styles.entry}>
          {set && !isReading && <LapVerdict result={result} corner={corner} />}
          <SetAtHand {...{ view, judging, nextHref, nextLabel }} />
          <BenchTools view={view} />
        </section>
        <BenchSays view={calm} judging={judging} lead={props.lead} scent={props.scent} />
      </div>
      {judging && drawn && <judging.SetChart result={drawn} corner={corner} limit={drawnLimit} />}
    </div>
  );
}
