'use client';

import dynamic from 'next/dynamic';
import { useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { advise, assessCorner, sayMove } from '@/core/assessment';
import { CORNER_NAME } from '@/core/readings';
import { RotorFace } from '@/ui/rotor';
import { NextThing } from '@/ui/shell';
import { BenchNose } from './BenchNose';
import { BeyondLadder } from './BeyondLadder';
import { CheckAnswer } from './CheckAnswer';
import { Doubt } from './Doubt';
import { LapVerdict } from './LapVerdict';
import {
  counted,
  likelyPlan,
  missingKind,
  moveTo,
  nextShift,
  suspectsOf,
  wantedPlan,
} from './likely';
import { doubtedReading, gaugeOf, KIND_NAME, type BenchCorner, type BenchSet } from './model';
import {
  advisedStep,
  asksOf,
  activePlace,
  drawnMarks,
  drawnValues,
  limitOf,
  recordOf,
  sayOnBench,
  solveSet,
  turningIn,
} from './result';
import { QuickStart } from './QuickStart';
import { ReadingEntry } from './ReadingEntry';
import { ReadingLadder } from './ReadingLadder';
import { SaveStatus } from './SaveStatus';
import { SetChart } from './SetChart';
import { SetDetailsForm } from './SetDetailsForm';
import { SeatDoubt } from './SeatDoubt';
import { sayMore, SetDone } from './SetDone';
import { setName, SetsAside, SetTabs } from './SetTabs';
import { placeName } from './placeName';
import { planFor, planOf, type SetPlan } from './plan';
import { SetStarter } from './SetStarter';
import { SetToolsFold } from './SetToolsFold';
import { SoundChoice } from './SoundChoice';
import { sound, useSound } from './sounds';
import { useBench } from './useBench';
import type { Shown } from './VirtualGauge';

// What not every set needs is loaded when it is asked for.
// Without something to show meanwhile the whole page would wait for the file.
const GaugePanel = dynamic(() => import('./GaugePanel').then((module) => module.GaugePanel), {
  loading: () => null,
});

interface MeasureBenchProps {
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
  /** A quick check: sets begin at once, and the answer stands where the nose is. */
  readonly isQuick?: boolean;
}

/** The bench of one corner: read a set, see it on the rotor, hear what it says. */
export function MeasureBench(props: MeasureBenchProps) {
  const { corner } = props;
  const hearing = useSound();
  const [told, setTold] = useState('');
  // The set of which a reading was taken on this visit.
  const [readOf, setReadOf] = useState<string | null>(null);
  const bench = useBench(props.sets, corner, props.wanted, (heard, setId) => {
    setReadOf(setId);
    setTold(heard.told);
    sound(heard, hearing);
  });
  const { state, set, dispatch } = bench;
  const [plan, setPlan] = useState<SetPlan | null>(
    wantedPlan(props.wanted, props.sets, props.corner),
  );
  const result = useMemo(() => (set ? solveSet(set, corner) : null), [set, corner]);
  const isReading = set !== undefined && state.cursor !== null;
  // While a set is read its figures stand alone; the corner is judged when it is read. A quick
  // check goes on answering: typing goes first, the answer follows when there is time.
  const calm = useDeferredValue(state.sets);
  const toJudge = props.isQuick ? calm : isReading ? null : state.sets;
  const judged = useMemo(() => {
    if (toJudge === null) return null;
    const record = recordOf(toJudge, corner);
    return { record, assessment: assessCorner(record) };
  }, [toJudge, corner]);
  const advice = useMemo(() => judged && advise(judged.record, judged.assessment), [judged]);
  // As found nothing is decided: the rotor is read again once its seat is clean.
  const words = advice && corner.phase !== 'as-found' ? sayOnBench(advice, corner) : null;
  // Where it sits is settled before anything follows; as found nothing is decided on.
  const isSeatAsked =
    corner.phase !== 'as-found' && (judged?.assessment.seatDoubt ?? null) !== null;
  // While readings are taken nothing else is on the screen, unless the whole page is asked for.
  const [isWhole, setWhole] = useState(false);
  const isAlone = isReading && (props.isQuick === true || readOf === set.id);
  const lap = state.cursor?.lap ?? 0;
  const suspects = suspectsOf(result);
  const starting = plan ?? likelyPlan(state.sets, corner, props.expectedShift);
  // A move is drawn once it is asked for: to be made before a set, or advised by those that are read.
  const advisedTo =
    advice?.kind === 'index' || advice?.kind === 'second-mounting' ? advice.to : null;
  const drawnTo = set ? advisedTo : starting.shift;
  const move =
    drawnTo === null || isReading || isSeatAsked ? null : moveTo(state.sets, corner, drawnTo);
  const moveWords = move && !set ? sayMove(corner, move.from, starting.shift) : null;
  const missing = missingKind(state.sets, corner);
  const limit = limitOf(set, corner);
  const [live, setLive] = useState<{ readonly setId: string; readonly shown: Shown | null }>();
  // What a gauge shows is of the set that it stands at, and of no other.
  const shown = set !== undefined && live?.setId === set.id ? live.shown : null;
  const takeShown = (): void => {
    if (!shown) return;
    const { reading, refuse } = shown;
    if (refuse) dispatch({ type: 'refuse', message: refuse });
    else bench.pressEnter(`${reading.text} ${reading.unit}`);
  };
  const isLive = set !== undefined && (set.isVirtual || gaugeOf(set, corner)?.lineFormat);
  const doubted = set && !state.cursor ? doubtedReading(set, null, corner) : null;

  /** Opens the starter with a plan: every set is prepared before it is read. */
  const ask = (next: SetPlan): void => {
    // A quick check asks nothing before a set: what was not asked is said with its verdict.
    const isAtOnce = props.isQuick && next.shift === set?.shift;
    if (isAtOnce) return bench.start(next);
    setPlan(next);
    dispatch({ type: 'pick-set', id: null });
  };
  const askMounting = (shift: number | null): void => {
    const base = set ?? counted(state.sets).at(-1);
    if (shift !== null && base) ask({ ...planFor('runout', planOf(base), corner), shift });
  };
  const askAgain = (reason: string): void => {
    if (set) bench.putAside(reason, () => setPlan(planOf(set)));
  };

  return (
    <div className={isAlone && !isWhole ? 'zh-reading' : undefined}>
      {isAlone && set && (
        <p className="zh-where">
          <span className="zh-where-whose">{corner.whose}</span>
          <span className="zh-figure">{corner.corner}</span>
          <span className="zh-where-set">{setName(set, corner)}</span>
          <Button variant="link" onClick={() => setWhole(!isWhole)}>
            {isWhole ? 'Readings only' : 'Whole page'}
          </Button>
        </p>
      )}
      <SetTabs
        sets={state.sets}
        currentId={state.currentId}
        corner={corner}
        onPick={(id) => {
          setPlan(null);
          dispatch({ type: 'pick-set', id });
        }}
      />
      {bench.trouble && (
        <p className="zh-error" role="alert">
          {bench.trouble}
        </p>
      )}
      <p className="visually-hidden" role="status" aria-label="Last reading">
        {told}
      </p>
      <div className="zh-bench">
        <section className="zh-card" aria-label="Rotor">
          <RotorFace
            corner={corner.corner}
            studs={corner.studs}
            fastening={corner.fastening}
            values={
              set ? drawnValues(set, result, lap) : new Array<null>(starting.positions).fill(null)
            }
            angles={set?.angles}
            limit={limit}
            active={activePlace(set, state.cursor)}
            turning={turningIn(set, state.cursor)}
            marks={set ? drawnMarks(set, result, state.cursor) : []}
            suspects={suspects}
            shift={set?.shift ?? move?.from ?? 0}
            move={move}
            label={`${KIND_NAME[set?.kind ?? 'runout']} of the rotor ${CORNER_NAME[corner.corner]}`}
            onPick={(position) =>
              set && dispatch({ type: 'pick-place', cursor: { lap, position } })
            }
          />
          <p className="zh-muted mb-0 text-center">
            Seen from outboard. Turn the wheel forward; positions run{' '}
            {corner.corner.endsWith('L') ? 'clockwise' : 'counter-clockwise'}.
          </p>
          {isReading && <LapVerdict result={result} corner={corner} />}
        </section>
        <section className="zh-entry">
          {set && !isReading && <LapVerdict result={result} corner={corner} />}
          {!set && moveWords && (
            <NextThing
              todo={`Move the rotor ${moveWords}, then start.`}
              why={
                starting.shift === advisedTo && advice?.kind === 'index'
                  ? 'It is cured once it reads so there.'
                  : 'A second mounting tells the hub’s share from the rotor’s.'
              }
            />
          )}
          {!set && props.isQuick && (
            <QuickStart
              plan={starting}
              onStart={() => {
                setPlan(null);
                bench.start(starting);
              }}
            />
          )}
          {!set && !props.isQuick && (
            <SetStarter
              key={JSON.stringify(starting)}
              corner={corner}
              plan={starting}
              onStart={(chosen) => {
                setPlan(null);
                bench.start(chosen);
              }}
            />
          )}
          {set && (
            <>
              {state.cursor ? (
                <div className="zh-card">
                  <ReadingEntry
                    set={set}
                    state={state}
                    corner={corner}
                    onType={(text) => dispatch({ type: 'type', text })}
                    onEnter={(text) => {
                      const typed = text ?? state.draft;
                      if (typed.trim() === '' && shown) takeShown();
                      else bench.pressEnter(typed);
                    }}
                    onShown={shown ? takeShown : null}
                    onStep={(by) => dispatch({ type: 'step', by })}
                    onCorrect={bench.correct}
                  />
                </div>
              ) : isSeatAsked && judged ? (
                <SeatDoubt
                  corner={corner}
                  sets={state.sets}
                  judged={judged}
                  onChange={(changed) => dispatch({ type: 'replace-set', set: changed })}
                />
              ) : (
                <SetDone
                  set={set}
                  corner={corner}
                  missing={missing}
                  asks={asksOf(result)}
                  advised={advisedStep(result, advice)}
                  todo={words?.todo ?? 'Kept apart from the cleaned readings.'}
                  nextHref={props.nextHref}
                  nextLabel={props.nextLabel}
                  onMissing={() => missing && ask(planFor(missing, planOf(set), corner))}
                  onLap={bench.anotherLap}
                  onMounting={
                    // As found nothing is moved.
                    corner.phase === 'as-found' || nextShift(state.sets, corner) === null
                      ? null
                      : () => askMounting(nextShift(state.sets, corner))
                  }
                  // A job goes to Decide first; a check is read again where it was moved to.
                  onMoved={
                    props.isQuick && advice?.kind === 'index' ? () => askMounting(advisedTo) : null
                  }
                  onRepeat={() => askAgain('taken again')}
                  onReadOn={bench.readOn}
                  onPressed={bench.sayPressed}
                />
              )}
              {doubted && <Doubt doubted={doubted} onCorrect={bench.correct} />}
              {isLive && (
                <GaugePanel
                  set={set}
                  corner={corner}
                  cursor={state.cursor}
                  onShows={(next) => setLive({ setId: set.id, shown: next })}
                  onTake={takeShown}
                  onReading={bench.pressEnter}
                  onNoted={(changed) => dispatch({ type: 'replace-set', set: changed })}
                />
              )}
              {Array.from({ length: set.laps }, (_, each) => (
                <ReadingLadder
                  key={each}
                  set={set}
                  lap={each}
                  cursor={state.cursor}
                  corner={corner}
                  suspects={suspects}
                  onPick={(cursor) => dispatch({ type: 'pick-place', cursor })}
                />
              ))}
              <BeyondLadder
                set={set}
                cursor={state.cursor}
                corner={corner}
                onPick={(cursor) => dispatch({ type: 'pick-place', cursor })}
              />
              <SaveStatus save={bench.save} />
              <SoundChoice />
              <SetDetailsForm
                key={set.id}
                set={set}
                corner={corner}
                onChange={(changed) => dispatch({ type: 'replace-set', set: changed })}
              />
            </>
          )}
          {!isReading && (
            <SetToolsFold
              set={set ?? null}
              sets={state.sets}
              corner={corner}
              onAside={(reason) => bench.putAside(reason)}
              onAgain={askAgain}
              onPick={(place) => dispatch({ type: 'pick-place', cursor: place })}
              onImported={(ids) => dispatch({ type: 'pick-set', id: ids.at(-1) ?? null })}
            />
          )}
          <SetsAside sets={state.sets} corner={corner} onTakeBack={bench.takeBack} />
        </section>
        {props.isQuick && judged && words && (
          <CheckAnswer
            assessment={judged.assessment}
            words={words}
            reading={
              set && state.cursor
                ? `${placeName(set, state.cursor.position, corner)}.`
                : sayMore(advisedStep(result, advice))
            }
            corner={corner}
          />
        )}
        {!props.isQuick && (
          <BenchNose {...{ corner, result, judged, words }} lead={props.lead} scent={props.scent} />
        )}
      </div>
      {result && <SetChart result={result} corner={corner} limit={limit} />}
    </div>
  );
}
