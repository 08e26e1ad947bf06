'use client';

import { useMemo } from 'react';
import { percent } from '@/core/diagnosis';
import {
  cornerAfter,
  sayCrowns,
  laterOf,
  stepsOf,
  truthShares,
  type FindAction,
  type FindCase,
  type FindResult,
  type FindState,
  type FindStep,
} from '@/core/practice';
import { actionRecord } from '@/core/options';
import { CORNER_NAME } from '@/core/readings';
import { formatIn, type UnitSystem } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { CardTable } from '@/ui/table';
import { Faces, partFaces } from '../Faces';
import { sayNext } from '../later';
import { sayMinutes } from './FindChecks';
import styles from '../practice.module.css';

const [MINUTES, MONEY, SHARE] = ['Minutes', 'Money', 'The fault, then'] as const;
const COLUMNS = ['What was done', MINUTES, MONEY, SHARE];

/** What a step was, in words. */
function sayStep({ knowledge }: FindCase, { action }: FindStep): string {
  const titleOf = (code: string): string =>
    knowledge.findings.find((each) => each.code === code)!.title;
  switch (action.kind) {
    case 'check':
      return titleOf(action.code);
    case 'read':
      return `Read with gauges: ${action.found.map(({ code }) => titleOf(code)).join(', ')}`;
    case 'reread':
      return `Read again: ${action.found.map(({ code }) => titleOf(code)).join(', ')}`;
    case 'repair':
      return `Put right: ${knowledge.causes.find(({ code }) => code === action.code)!.name.toLowerCase()}`;
    case 'decide':
      return `Done: ${actionRecord(action.action).name.toLowerCase()}`;
    case 'pedal':
      return 'Pedal pumped, wheels spun';
    case 'drive':
      return 'Driven';
    case 'nose':
      return action.how === 'once' ? 'The nose asked' : 'The nose left on';
    case 'back':
      return 'Given back';
  }
}

/** Every step with what it took and how sure the fault was after it. */
function Steps({
  own,
  steps,
  title,
}: {
  own: FindCase;
  steps: readonly FindStep[];
  title: string;
}) {
  return (
    <details className="mb-2">
      <summary className="zh-fold">{`${title} (${steps.length} ${steps.length === 1 ? 'step' : 'steps'})`}</summary>
      <CardTable columns={COLUMNS}>
        {steps.map((step, i) => (
          <tr key={i} role="row">
            <th role="rowheader" scope="row">
              {sayStep(own, step)}
            </th>
            <td role="cell" data-label={MINUTES} className="zh-figure">
              {step.minutes === 0 ? '–' : sayMinutes(step.minutes)}
            </td>
            <td role="cell" data-label={MONEY} className="zh-figure text-nowrap">
              {step.money === 0 ? '–' : sayCrowns(step.money)}
            </td>
            <td role="cell" data-label={SHARE} className="zh-figure text-nowrap">
              {step.after === step.before
                ? '–'
                : `${percent(step.before)} → ${percent(step.after)}`}
            </td>
          </tr>
        ))}
      </CardTable>
    </details>
  );
}

/** What was read of a figure last, as a share of its limit; null where nobody read it. */
const readLast = (actions: readonly FindAction[], code: string): number | null => {
  const value = actions
    .flatMap((action) => (action.kind === 'read' ? action.found : []))
    .findLast((each) => each.code === code)?.value;
  return value === undefined ? null : Number(value);
};

/** Variation that is drawn, as a share of its limit. */
const SEEN = 0.5;

type Shares = ReturnType<typeof truthShares>;

/** The corner of the fault as it was: what its runout is made of, what was read beside it, and what comes next. */
function AtCorner({
  own,
  actions,
  state,
  units,
  left: known,
}: {
  readonly own: FindCase;
  readonly actions: readonly FindAction[];
  readonly state: FindState;
  readonly units: UnitSystem;
  readonly left: Shares | null;
}) {
  const { bench, corner } = own;
  const { runout, thicknessVariation } = WORKSHOP_DEFAULTS;
  const truth = truthShares(bench);
  const left = known ?? truthShares(cornerAfter(own, state.repairs));
  const isMended = state.repairs.length > 0;
  const later = laterOf(own, state);
  const say = (share: number | null, limit: number): string =>
    share === null ? '–' : formatIn(units, 'deviation', share * limit);
  const figures = [
    ['Runout', 'runout', 'runout', runout],
    ['Thickness variation', 'thickness-variation', 'variation', thicknessVariation],
    ['The hub’s share', 'hub-share', 'hub', runout],
    ['The rotor’s share', 'rotor-share', 'rotor', runout],
  ] as const;
  return (
    <section className="mb-2" aria-labelledby="practice-corner">
      <h3 id="practice-corner">The corner as it was, {CORNER_NAME[corner]}</h3>
      <div className={styles.faces}>
        <Faces
          own={{ corner, studs: bench.virtual.studs }}
          limit={runout}
          {...partFaces(bench.virtual, bench.faults, truth.variation > SEEN)}
        />
      </div>
      <CardTable columns={['Figure', 'Read', 'True', ...(isMended ? ['True after it'] : [])]}>
        {figures.map(([name, code, of, limit]) => (
          <tr key={code} role="row">
            <th role="rowheader" scope="row">
              {name}
            </th>
            <td role="cell" data-label="Read" className="zh-figure">
              {say(readLast(actions, code), limit)}
            </td>
            <td role="cell" data-label="True" className="zh-figure">
              {say(truth[of], limit)}
            </td>
            {isMended && (
              <td role="cell" data-label="True after it" className="zh-figure">
                {say(left[of], limit)}
              </td>
            )}
          </tr>
        ))}
      </CardTable>
      {bench.wornKm !== null && (
        <p>
          Its runout wore the thin place into it, in some{' '}
          <span className="zh-figure">{bench.wornKm.toLocaleString('en')} km</span>.
        </p>
      )}
      {(state.isCured || later !== null) && <p>{sayNext(later, units)}</p>}
    </section>
  );
}

/** Whether the corner’s rotor has a part in it: its runout is beyond, or somebody read it. */
const hasCorner = ({ place, bench }: FindCase, actions: readonly FindAction[]): boolean =>
  place !== null &&
  (truthShares(bench).runout > 1 ||
    bench.wornKm !== null ||
    actions.some(({ kind }) => kind === 'read'));

/** After a car: one sentence, the truth, what every step was worth, and the way that the nose would have gone. */
export function FindDebrief({
  own,
  actions,
  result,
  units,
  whose = null,
  left = null,
}: {
  readonly own: FindCase;
  readonly actions: readonly FindAction[];
  readonly result: FindResult;
  readonly units: UnitSystem;
  /** Who worked it, where that is somebody else; null for who is here. */
  readonly whose?: string | null;
  /** What its corner shows after the work, where that was done on the stages of a job. */
  readonly left?: Shares | null;
}) {
  const { cause, place } = own;
  const { isHarm, state, said, best, bestCost, way } = result;
  const steps = useMemo(() => stepsOf(own, actions), [own, actions]);
  const noseSteps = useMemo(() => stepsOf(own, way), [own, way]);
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-debrief">
      <h2 id="practice-debrief" className={styles.sentence} tabIndex={-1}>
        {result.sentence}
      </h2>
      {isHarm && (
        <p className="zh-stop">
          <strong>Harm.</strong> The case ends here.
        </p>
      )}
      <p>
        <strong>The truth:</strong> {cause.name}
        {place && `, ${CORNER_NAME[place]}`}. {cause.means} {cause.repair}{' '}
        <strong>What shows it:</strong> {cause.proof}
      </p>
      {said && said.code !== cause.code && (
        <p>
          {whose ?? 'You'} took it for <strong>{said.name.toLowerCase()}</strong>
          {state.repairs.length === 1 && state.isCured ? ': the same work cured it.' : '.'}
        </p>
      )}
      {!isHarm && !state.isCured && (
        <p>
          It comes back with the same complaint: the next one who looks begins where{' '}
          {whose ?? 'you'} did.
        </p>
      )}
      <p>
        <span className="zh-figure">{sayMinutes(result.minutes)}</span> and{' '}
        <span className="zh-figure">{sayCrowns(result.cost)}</span>
        {!state.isCured && ', a comeback among it'}; who follows the nose takes{' '}
        <span className="zh-figure">{sayMinutes(best)}</span> and{' '}
        <span className="zh-figure">{sayCrowns(bestCost)}</span>.
      </p>
      {hasCorner(own, actions) && <AtCorner {...{ own, actions, state, units, left }} />}
      <Steps {...{ own }} steps={steps} title={whose ? `${whose}’s way` : 'Your way'} />
      <Steps {...{ own }} steps={noseSteps} title="The way of the nose" />
    </section>
  );
}
