'use client';

import { Button } from 'react-bootstrap';
import Link, { ButtonLink } from '@/ui/Link';
import { useEffect, useRef, useState } from 'react';
import type { FigureItem, LookItem, PadMeaning, PlannedStep } from '@/core/procedure';
import type { Corner } from '@/core/readings';
import type { UnitSystem } from '@/core/units';
import { Helps, ReservoirRise, Retractions, type Pistons } from './AtHand';
import { Cautions } from '@/ui/procedure';
import { CornerDrawing } from '@/ui/corner';
import { Conflicts } from './Conflicts';
import { partOfStep, stepsAt, trayOf, workStates, type CornerScene } from './drawn';
import { FigureFields } from './FigureFields';
import { LookList } from './LookList';
import { checkAt, type CheckChange, type CheckView } from './model';
import type { StripPhoto } from './PhotoStrip';
import { ReasonForm } from '@/ui/ReasonForm';
import { sayCheck } from './say';
import { SeatDrawing, type SeatView } from './SeatDrawing';
import { StepQuestions, type StepQuestion } from './StepQuestions';
import { TakeOff, type PartChoice, type TrayPart } from './Tray';
import { isToldAt } from './Refusal';
import { useChecks, type RefusedCheck } from './useChecks';
import styles from './strip.module.css';

/** Everything about one corner that its screens are made of. */
export interface CornerWork {
  readonly jobId: string;
  /** Taking apart, or putting together again. */
  readonly kind: 'step' | 'rebuild';
  readonly corner: Corner;
  readonly steps: readonly PlannedStep[];
  readonly items: readonly LookItem[];
  readonly figures: readonly FigureItem[];
  /** Questions of the nose that steps ask at this corner. */
  readonly questions: readonly StepQuestion[];
  readonly meanings: readonly PadMeaning[];
  readonly checks: readonly CheckView[];
  readonly choices: readonly PartChoice[];
  readonly parts: readonly TrayPart[];
  readonly pistons: Pistons;
  /** Where the rotor goes on, as it is drawn; null where nothing says so. */
  readonly seat: SeatView | null;
  /** The corner as it is drawn. */
  readonly scene: CornerScene;
  /** Photos of the corner itself. */
  readonly photos: readonly StripPhoto[];
  readonly units: UnitSystem;
}

interface StepProps extends CornerWork {
  readonly step: PlannedStep;
  readonly onWrite: (change: CheckChange) => void;
  /** What was refused, told at its item where the step has it. */
  readonly refused: RefusedCheck | null;
}

/** What a step asks to be looked at and measured. */
const askedAt = ({ items, figures }: CornerWork, step: PlannedStep) => ({
  looks: items.filter(({ code }) => step.looks.includes(code)),
  asked: figures.filter(
    ({ code, group }) => step.figures.includes(code) || step.figures.includes(group),
  ),
});

const GOES: Readonly<Record<NonNullable<PlannedStep['goes']>, string>> = {
  'as-found': 'Take the as-found readings',
  hub: 'Hub face: straight edge and runout',
  parts: 'Right parts',
  torque: 'Torque list of this corner',
  tray: 'Empty the tray',
  installed: 'Measure installed runout',
};

const PLACES: Readonly<Record<NonNullable<PlannedStep['goes']>, (corner: string) => string>> = {
  'as-found': (corner) => `as-found/${corner}`,
  hub: (corner) => `strip/${corner}/hub`,
  parts: () => 'strip#parts',
  torque: (corner) => `rebuild/${corner}/torque`,
  tray: (corner) => `rebuild/${corner}/tray`,
  installed: (corner) => `prove/${corner}`,
};

/** What a step says, warns of and asks for. */
function StepBody(props: StepProps) {
  const { step, corner, checks, onWrite, refused } = props;
  const { looks, asked } = askedAt(props, step);
  const questions = props.questions.filter(({ code }) => step.asks.includes(code));
  const choices = props.choices.filter(({ code }) => step.parts.includes(code));
  return (
    <>
      <Cautions cautions={step.cautions} />
      {step.code === 'rotor-on' && props.seat && <SeatDrawing seat={props.seat} />}
      {step.ruleWords.map(({ code, say }) => (
        <p key={code} className="mb-1">
          <span className="zh-muted">House rule:</span> {say}{' '}
          <Link href={`/jobs/${props.jobId}/rules#${code}`}>Another way for this job</Link>
        </p>
      ))}
      {step.goes && (
        <ButtonLink
          variant="outline-secondary"
          className="mb-2"
          href={`/jobs/${props.jobId}/${PLACES[step.goes](corner)}`}
        >
          {GOES[step.goes]}
        </ButtonLink>
      )}
      {step.retractions.length > 0 && (
        <>
          <Retractions {...{ corner, step, checks, onWrite }} />
          <details>
            <summary className="zh-fold">How far the reservoir rises</summary>
            <ReservoirRise pistons={props.pistons} units={props.units} />
          </details>
        </>
      )}
      {questions.length > 0 && (
        <StepQuestions jobId={props.jobId} corner={corner} questions={questions} />
      )}
      {looks.length > 0 && (
        <>
          <h3>Look at</h3>
          <LookList heading="h4" {...{ corner, items: looks, checks, onWrite, refused }} />
        </>
      )}
      {asked.length > 0 && (
        <>
          <h3>Measure</h3>
          <FigureFields
            {...{ corner, figures: asked, checks, onWrite, refused, units: props.units }}
            meanings={step.figures.includes('pads') ? props.meanings : []}
          />
        </>
      )}
      {choices.length > 0 && props.kind === 'step' && (
        <>
          <h3>Comes off</h3>
          <TakeOff {...{ jobId: props.jobId, corner, choices, parts: props.parts }} />
        </>
      )}
      <Helps step={step} />
    </>
  );
}

/** The steps in a list, each with how far it is; a tap goes there. */
function StepList({
  steps,
  stateOf,
  at,
  onPick,
}: {
  readonly steps: readonly PlannedStep[];
  readonly stateOf: (step: PlannedStep) => unknown;
  readonly at: number;
  readonly onPick: (i: number) => void;
}) {
  return (
    <ol className={styles.steps}>
      {steps.map((step, i) => {
        const state = stateOf(step);
        return (
          <li key={step.code}>
            <button
              type="button"
              aria-current={i === at ? 'step' : undefined}
              onClick={() => onPick(i)}
            >
              <span aria-hidden="true">{state === 'done' ? '●' : state ? '◌' : '○'}</span>{' '}
              {step.title}
              <span className="visually-hidden">
                , {state === 'done' ? 'done' : state ? 'left out' : 'open'}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** On a phone the drawing and what is done at the part under it are in sight together. */
function bringIntoSight(drawing: HTMLElement | null): void {
  const isNarrow = window.matchMedia?.('(max-width: 760px)').matches ?? false;
  if (isNarrow) drawing?.scrollIntoView({ block: 'start' });
}

/** The work at one corner, a step a screen, in the order that its vehicle asks for. */
export function CornerOrder(work: CornerWork) {
  const { steps, corner } = work;
  const checks = useChecks(work.jobId, work.checks, ({ place }) => place === work.corner);
  const keyOfStep = ({ code }: PlannedStep) =>
    ({ kind: work.kind, place: corner, item: code }) as const;
  const stateOf = (step: PlannedStep): unknown => checkAt(checks.checks, keyOfStep(step))?.value;
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      // What is felt with the wheel on is not gone back to once the corner is apart.
      steps.findIndex(
        (step, i) => !stateOf(step) && !(step.asks.length > 0 && steps.slice(i + 1).some(stateOf)),
      ),
    ),
  );
  const [isAsked, setAsked] = useState(false);
  const done = useRef<HTMLButtonElement>(null);
  const drawing = useRef<HTMLDivElement>(null);
  const isFirst = useRef(true);
  useEffect(() => {
    done.current?.focus({ preventScroll: true });
    if (!isFirst.current) bringIntoSight(drawing.current);
    isFirst.current = false;
  }, [at]);
  const step = steps[at]!;
  const state = checkAt(checks.checks, keyOfStep(step));
  const { looks, asked } = askedAt(work, step);
  const go = (i: number): void => {
    setAsked(false);
    setAt(Math.max(0, Math.min(steps.length - 1, i)));
  };
  /** The step that a part of the drawing stands for: its first that is open, else its first. */
  const pick = (code: string): void => {
    const part = work.scene.parts.find((each) => each.code === code);
    const own = part ? stepsAt(part, steps) : [];
    const next = own.find((each) => !stateOf(each)) ?? own[0];
    if (next) go(steps.indexOf(next));
    bringIntoSight(drawing.current);
  };
  const settle = (value: 'done' | 'left-out' | null, note: string | null): void => {
    checks.write({ ...keyOfStep(step), value, note });
    if (value !== null) go(at + 1);
  };
  return (
    <div className={styles.order}>
      <div ref={drawing} className={styles.stepList}>
        <CornerDrawing
          corner={corner}
          parts={work.scene.parts}
          states={workStates({ ...work, checks: checks.checks }, step)}
          current={partOfStep(work.scene, step)?.code ?? null}
          tray={trayOf(work.parts, work.scene)}
          label={
            work.kind === 'step' ? 'The corner as it comes apart' : 'The corner as it goes together'
          }
          onPick={pick}
        />
        <details className="zh-card mt-2">
          <summary className="zh-fold">
            {steps.filter((each) => stateOf(each)).length} of {steps.length} steps, as a list
          </summary>
          <StepList steps={steps} stateOf={stateOf} at={at} onPick={go} />
        </details>
      </div>
      <section className="zh-card zh-step" aria-labelledby="zh-step">
        <div className="zh-muted">
          {corner} · step {at + 1} of {steps.length}
        </div>
        <h2 id="zh-step" className={styles.stepTitle}>
          {step.title}
        </h2>
        <p className="zh-step-say">{step.say}</p>
        <p className="zh-muted">{step.why}</p>
        <Conflicts
          {...checks}
          refused={isToldAt(checks.refused, [...looks, ...asked]) ? null : checks.refused}
          say={(item, value) => sayCheck(work, item, value)}
        />
        <StepBody
          key={step.code}
          {...work}
          checks={checks.checks}
          refused={checks.refused}
          step={step}
          onWrite={checks.write}
        />
        {state && (
          <p className="zh-row mb-0">
            <span>
              {state.value === 'done' ? 'Done' : `Left out: ${state.note ?? ''}`}{' '}
              <span className="zh-muted">
                {state.by} {state.at}
              </span>
            </span>
            <Button type="button" variant="link" onClick={() => settle(null, null)}>
              Open it again
            </Button>
          </p>
        )}
        {isAsked && (
          <ReasonForm
            label="Why the step is left out"
            placeholder="Why is it left out?"
            button="Leave it out"
            onGive={(reason) => settle('left-out', reason)}
          />
        )}
        <div className={styles.stepActions}>
          <Button ref={done} type="button" variant="primary" onClick={() => settle('done', null)}>
            {at === steps.length - 1 ? 'Done' : 'Done, next'}
          </Button>
          {!state && !isAsked && !step.required && (
            <Button type="button" variant="outline-secondary" onClick={() => setAsked(true)}>
              Leave out …
            </Button>
          )}
          {at > 0 && (
            <Button type="button" variant="outline-secondary" onClick={() => go(at - 1)}>
              Back
            </Button>
          )}
        </div>
      </section>
    </div>
  );
}
