'use client';

import { useMemo } from 'react';
import { percent } from '@/core/diagnosis';
import {
  sayCrowns,
  stepsOf,
  type FindAction,
  type FindCase,
  type FindResult,
  type FindStep,
} from '@/core/practice';
import { CORNER_NAME } from '@/core/readings';
import { CardTable } from '@/ui/table';
import { sayMinutes } from './FindChecks';
import styles from '../practice.module.css';

const [MINUTES, MONEY, SHARE] = ['Minutes', 'Money', 'The fault, then'] as const;
const COLUMNS = ['What was done', MINUTES, MONEY, SHARE];

/** What a step was, in words. */
function sayStep({ knowledge }: FindCase, { action }: FindStep): string {
  switch (action.kind) {
    case 'check':
      return knowledge.findings.find(({ code }) => code === action.code)!.title;
    case 'repair':
      return `Put right: ${knowledge.causes.find(({ code }) => code === action.code)!.name.toLowerCase()}`;
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

/** After a car: one sentence, the truth, what every step was worth, and the way that the nose would have gone. */
export function FindDebrief({
  own,
  actions,
  result,
  whose = null,
}: {
  readonly own: FindCase;
  readonly actions: readonly FindAction[];
  readonly result: FindResult;
  /** Who worked it, where that is somebody else; null for who is here. */
  readonly whose?: string | null;
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
      <Steps {...{ own }} steps={steps} title={whose ? `${whose}’s way` : 'Your way'} />
      <Steps {...{ own }} steps={noseSteps} title="The way of the nose" />
    </section>
  );
}
