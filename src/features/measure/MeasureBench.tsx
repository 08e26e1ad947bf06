'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { advise, assessCorner, sayAdvice, sayMove } from '@/core/assessment';
import { nextMountShift, shortestTurn } from '@/core/indexing';
import { phasorsOf } from '@/core/harmonics';
import { CORNER_NAME } from '@/core/readings';
import { fieldUnit, type Micrometres } from '@/core/units';
import { UnrolledChart } from '@/ui/chart';
import { RotorFace, type RotorMove } from '@/ui/rotor';
import { NextThing, Nose } from '@/ui/shell';
import { Doubt } from './Doubt';
import {
  advisedStep,
  doubtedReading,
  drawnValues,
  firstOpen,
  gaugeOf,
  KIND_NAME,
  limitOf,
  recordOf,
  solveSet,
  type BenchCorner,
  type BenchSet,
  type SetResult,
} from './model';
import { ReadingEntry } from './ReadingEntry';
import { ReadingLadder } from './ReadingLadder';
import { SaveStatus } from './SaveStatus';
import { SetDetailsForm } from './SetDetailsForm';
import { SetDone } from './SetDone';
import { SetFindings } from './SetFindings';
import { SetsAside, SetTabs } from './SetTabs';
import type { SetPlan } from './plan';
import { SetStarter } from './SetStarter';
import { planFor, planOf, useBench } from './useBench';
import type { Shown } from './VirtualGauge';

// What not every set needs is loaded when it is asked for.
const GaugePanel = dynamic(() => import('./GaugePanel').then((module) => module.GaugePanel));
const CornerQuality = dynamic(() =>
  import('./CornerQuality').then((module) => module.CornerQuality),
);
const SetTools = dynamic(() => import('./SetTools').then((module) => module.SetTools));

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
}

const counted = (sets: readonly BenchSet[]): BenchSet[] => sets.filter(({ isAside }) => !isAside);

const isRead = (set: BenchSet): boolean => firstOpen(set) === null;

/** The kind of set that this corner still lacks. */
function missingKind(sets: readonly BenchSet[]): 'runout' | 'thickness' | null {
  const has = (kind: BenchSet['kind']): boolean =>
    counted(sets).some((set) => set.kind === kind && isRead(set));
  if (!has('runout')) return 'runout';
  return has('thickness') ? null : 'thickness';
}

/** The shift that tells hub from rotor best, when one mounting was read. */
function nextShift(sets: readonly BenchSet[], corner: BenchCorner): number | null {
  const shifts = counted(sets)
    .filter(({ kind }) => kind === 'runout')
    .map(({ shift }) => shift);
  const first = shifts[0];
  if (first === undefined) return null;
  const all = Array.from({ length: corner.studs }, (_, shift) => shift);
  return nextMountShift(corner.studs, first, shifts, corner.allowedShifts ?? all);
}

/** What a new set most likely is. */
function likelyPlan(
  sets: readonly BenchSet[],
  corner: BenchCorner,
  expectedShift: number | null,
): SetPlan {
  const last = counted(sets).at(-1);
  const kind = missingKind(sets) ?? 'runout';
  const base: SetPlan = last
    ? planFor(kind, planOf(last))
    : { kind, positions: 12, shift: 0, face: 'outboard' };
  const isNextMounting = missingKind(sets) === null;
  const shift = isNextMounting ? (nextShift(sets, corner) ?? base.shift) : base.shift;
  return { ...base, kind, shift: last ? shift : (expectedShift ?? 0) };
}

function moveTo(sets: readonly BenchSet[], corner: BenchCorner, to: number): RotorMove | null {
  const from = counted(sets).findLast(({ kind }) => kind === 'runout')?.shift;
  if (from === undefined || from === to) return null;
  const turn = shortestTurn(from, to, corner.studs);
  return { from, studs: turn.studs * turn.sense };
}

function suspectsOf(result: SetResult | null): number[] {
  if (!result) return [];
  const outliers = result.kind === 'runout' ? result.runout.outliers : result.figures.outliers;
  return outliers.map(({ position }) => position);
}

function Unrolled({
  result,
  corner,
  limit,
}: {
  result: SetResult;
  corner: BenchCorner;
  limit: Micrometres;
}) {
  const solved = result.kind === 'runout' ? result.runout : result.figures;
  const role = result.kind === 'runout' ? 'deviation' : 'size';
  return (
    <UnrolledChart
      angles={solved.angles}
      values={solved.averaged}
      mean={solved.fit.mean}
      orders={phasorsOf(solved.fit)}
      limit={limit}
      unit={fieldUnit(corner.units, role)}
      label={`Chart of ${result.kind} against angle with its fit and the limit`}
    />
  );
}

/** The plan of a set that the way here asks for and that is not there yet. */
const wantedPlan = ({ wanted, sets }: MeasureBenchProps): SetPlan | null =>
  wanted && !counted(sets).some(({ kind }) => kind === wanted)
    ? { kind: wanted, positions: 12, shift: 0, face: 'outboard' }
    : null;

/** The bench of one corner: read a set, see it on the rotor, hear what it says. */
export function MeasureBench(props: MeasureBenchProps) {
  const { corner } = props;
  const bench = useBench(props.sets, corner, props.wanted);
  const { state, set, dispatch } = bench;
  const [plan, setPlan] = useState<SetPlan | null>(wantedPlan(props));
  const result = useMemo(() => (set ? solveSet(set, corner) : null), [set, corner]);
  const isReading = set !== undefined && state.cursor !== null;
  // While a set is read its figures stand alone; the corner is judged when it is read.
  const judged = useMemo(() => {
    if (isReading) return null;
    const record = recordOf(state.sets, corner);
    return { record, assessment: assessCorner(record) };
  }, [isReading, state.sets, corner]);
  const advice = useMemo(() => judged && advise(judged.record, judged.assessment), [judged]);
  // As found nothing is decided: the rotor is read again once its seat is clean.
  const words = advice && corner.phase !== 'as-found' ? sayAdvice(advice, corner) : null;
  const lap = state.cursor?.lap ?? 0;
  const suspects = suspectsOf(result);
  const starting = plan ?? likelyPlan(state.sets, corner, props.expectedShift);
  const move = set ? null : moveTo(state.sets, corner, starting.shift);
  const moveWords = move ? sayMove(corner, move.from, starting.shift) : null;
  const missing = missingKind(state.sets);
  const limit = limitOf(set, corner);
  const [shown, setShown] = useState<Shown | null>(null);
  const takeShown = (): void => {
    if (!shown) return;
    const { reading, refuse } = shown;
    if (refuse) dispatch({ type: 'refuse', message: refuse });
    else bench.pressEnter(`${reading.text} ${reading.unit}`, 'gauge');
  };
  const isLive = set !== undefined && (set.isVirtual || gaugeOf(set, corner)?.lineFormat);
  const doubted = set && !state.cursor ? doubtedReading(set, null, corner) : null;

  const router = useRouter();
  const isSaved = !isReading && set !== undefined && bench.status.state === 'saved';
  useEffect(() => {
    // A set that was read to its end is weighed with the whole job.
    if (isSaved) router.refresh();
  }, [isSaved, router]);

  const askMounting = (): void => {
    const shift = nextShift(state.sets, corner);
    const base = set ?? counted(state.sets).at(-1);
    if (shift === null || !base) return;
    setPlan({ ...planOf(base), kind: 'runout', shift });
    dispatch({ type: 'pick-set', id: null });
  };

  return (
    <>
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
            active={state.cursor && set ? state.cursor.position % set.positions : null}
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
        </section>
        <section className="zh-entry">
          {!set && moveWords && (
            <NextThing
              todo={`Move the rotor ${moveWords}, then start.`}
              why="A second mounting tells the hub’s share from the rotor’s."
            />
          )}
          {!set && (
            <SetStarter
              key={JSON.stringify(starting)}
              corner={corner}
              plan={starting}
              busy={bench.busy}
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
              ) : (
                <SetDone
                  set={set}
                  corner={corner}
                  missing={missing}
                  advised={advisedStep(result, advice)}
                  todo={words?.todo ?? 'Kept apart from the cleaned readings.'}
                  nextHref={props.nextHref}
                  nextLabel={props.nextLabel}
                  busy={bench.busy}
                  onMissing={() => missing && bench.start(planFor(missing, planOf(set)))}
                  onLap={bench.anotherLap}
                  onMounting={nextShift(state.sets, corner) === null ? null : askMounting}
                  onRepeat={() => bench.takeAgain()}
                />
              )}
              {doubted && <Doubt doubted={doubted} onCorrect={bench.correct} />}
              {isLive && (
                <GaugePanel
                  set={set}
                  corner={corner}
                  cursor={state.cursor}
                  onShows={setShown}
                  onTake={takeShown}
                  onReading={(text) => bench.pressEnter(text, 'gauge')}
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
              <SaveStatus status={bench.status} />
              <SetDetailsForm
                key={set.id}
                set={set}
                corner={corner}
                onChange={(changed) => dispatch({ type: 'replace-set', set: changed })}
              />
            </>
          )}
          {!isReading && (
            <SetTools
              set={set ?? null}
              sets={state.sets}
              corner={corner}
              onAside={bench.putAside}
              onAgain={bench.takeAgain}
              onPick={(place) => dispatch({ type: 'pick-place', cursor: place })}
              onImported={(added) => {
                for (const each of added) dispatch({ type: 'add-set', set: each });
                router.refresh();
              }}
            />
          )}
          <SetsAside sets={state.sets} corner={corner} onTakeBack={bench.takeBack} />
        </section>
        <Nose>
          {props.lead}
          {result ? (
            <SetFindings result={result} corner={corner} />
          ) : (
            <p className="zh-muted">Nothing to sniff at yet: read the first lap.</p>
          )}
          {judged && judged.record.sets.length > 0 && <CornerQuality {...judged} corner={corner} />}
          {words && (
            <div className="border-top pt-2">
              <h3>This corner so far</h3>
              <strong>{words.todo}</strong>
              <p className="mb-0">{words.why}</p>
            </div>
          )}
          <div className="border-top pt-2 mt-2">
            <h3>The whole job</h3>
            {props.scent}
          </div>
        </Nose>
      </div>
      {result && <Unrolled result={result} corner={corner} limit={limit} />}
    </>
  );
}
