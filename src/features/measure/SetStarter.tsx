'use client';

import { Button } from 'react-bootstrap';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { PREPARATION_IDS } from '@/core/quality';
import type { BenchCorner, BenchSet } from './model';
import { saidOf, type SetPlan } from './plan';
import { SetCircumstances } from './SetCircumstances';
import { DrawnUp, KindChoice, Mounting, Preparation } from './StarterParts';
import { useStarter } from './useStarter';
import styles from './measure.module.css';

/** What stays dangerous whatever is prepared. */
const CAUTION: Readonly<Record<BenchSet['kind'], string>> = {
  runout: 'Neutral, other axle chocked, hands clear of the wheel while it turns.',
  hub: 'Rotor off. Neutral, other axle chocked. The radius of the circle goes into the set.',
  thickness: 'A hot rotor burns: let it cool.',
};

interface SetStarterProps {
  readonly corner: BenchCorner;
  readonly plan: SetPlan;
  readonly onStart: (plan: SetPlan) => void;
  /** Something was chosen or typed. */
  readonly onTouch?: () => void;
}

/** Chooses kind, positions and mounting of a new set; the likely ones are chosen already. */
export function SetStarter({ corner, plan, onStart, onTouch }: SetStarterProps) {
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus({ preventScroll: true }), []);
  const starter = useStarter(corner, plan, onStart, onTouch);
  const { own, items, said, setSaid, proved, left, name } = starter;
  /** Enter in a field would press the first button, and say that all of this is so. */
  const notByEnter = (event: KeyboardEvent): void => {
    const isField = event.target instanceof HTMLInputElement && event.target.type !== 'checkbox';
    if (event.key !== 'Enter' || !isField || left.length === 0) return;
    event.preventDefault();
    first.current?.focus();
  };
  return (
    <form
      className="zh-card"
      noValidate
      onChange={onTouch}
      onSubmit={(event) => {
        event.preventDefault();
        const { submitter } = event.nativeEvent as SubmitEvent;
        const isAll = submitter === first.current;
        // What is said stands as ticks, whatever else is asked before the set begins.
        if (isAll) setSaid(PREPARATION_IDS);
        starter.begin(isAll ? [] : left);
      }}
      onKeyDown={notByEnter}
    >
      <h2 className="visually-hidden">New set</h2>
      <KindChoice starter={starter} />
      <DrawnUp starter={starter} />
      <Preparation
        items={items}
        said={said}
        proved={proved}
        onToggle={(id) =>
          setSaid(said.includes(id) ? said.filter((each) => each !== id) : [...said, id])
        }
      />
      <Mounting starter={starter} />
      <SetCircumstances
        plan={own}
        corner={corner}
        texts={starter.texts}
        messages={starter.messages}
        onType={starter.type}
        onChange={starter.change}
      />
      <p className="zh-muted mt-2">
        {saidOf(own, corner)}
        {CAUTION[own.kind]}
      </p>
      <div className={`${styles.begin} d-flex flex-wrap gap-2`}>
        <Button type="submit" variant="primary" ref={first}>
          {left.length > 0 ? `All of this is so: start ${name}` : `Start ${name}`}
        </Button>
        {left.length > 0 && (
          <Button type="submit" variant="outline-secondary">
            Start, {left.length} left out
          </Button>
        )}
      </div>
    </form>
  );
}
