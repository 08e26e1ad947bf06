'use client';

import { Button } from 'react-bootstrap';
import { useId, useRef, useState, type KeyboardEvent } from 'react';
import type { Condition, LookItem } from '@/core/procedure';
import { CarSays } from '@/ui/practice';
import { LookMark } from '@/ui/verdict';
import { ConditionDrawing } from './ConditionDrawing';
import {
  checkAt,
  foundOf,
  lookKey,
  lookStateOf,
  toggled,
  type CheckChange,
  type CheckView,
} from './model';
import { PutRight } from './PutRight';
import { Refusal, refusedOf } from './Refusal';
import type { RefusedCheck } from './useChecks';
import asking from '@/ui/shell/asking.module.css';
import styles from './strip.module.css';
import options from '@/ui/shell/options.module.css';
import lists from '@/ui/shell/lists.module.css';

interface LookListProps {
  readonly corner: string;
  readonly items: readonly LookItem[];
  readonly checks: readonly CheckView[];
  readonly onWrite: (change: CheckChange) => void;
  /** What was refused, where it is told at its item. */
  readonly refused?: RefusedCheck | null;
  /** How deep its headings stand: under a heading of the second level unless said otherwise. */
  readonly heading?: 'h3' | 'h4';
}

const FORBIDS: Readonly<Record<Condition['forbids'][number]['what'], string>> = {
  machining: 'No cut',
  'second-cut': 'No second cut where the house cuts once',
  rotor: 'The rotor is replaced',
  road: 'Off the road until put right',
};

/** How each condition of an item is told, what it means and what it forbids. */
function HowToTell({ conditions }: { readonly conditions: readonly Condition[] }) {
  return (
    <details className={asking.tell}>
      <summary className="zh-fold">How to tell</summary>
      <ul className="list-unstyled mb-0">
        {conditions.map(({ code, name, tell, drawing, means, forbids, renew }) => (
          <li key={code} className={styles.tellRow}>
            <ConditionDrawing name={drawing} />
            <div>
              <strong>{name}.</strong> {tell} <span className="zh-muted">{means}</span>
              {forbids.map(({ what }) => (
                <span key={what} className={options.forbids}>
                  {FORBIDS[what]}.
                </span>
              ))}
              {renew && <span className="zh-muted"> Renew: {renew.toLowerCase()}.</span>}
            </div>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What was found wrong: what it means, what it forbids, and whether it was put right. */
function Found({
  corner,
  item,
  checks,
  onWrite,
  found,
}: Omit<LookListProps, 'items'> & {
  readonly item: LookItem;
  readonly found: readonly string[];
}) {
  return (
    <>
      <ul className={lists.found}>
        {item.conditions
          .filter(({ code }) => found.includes(code))
          .map(({ code, name, means, forbids, renew }) => (
            <li key={code}>
              <strong>{name}:</strong> {means}
              {forbids.map(({ what }) => (
                <span key={what} className={options.forbids}>
                  {FORBIDS[what]}.
                </span>
              ))}
              {renew && ` Renew: ${renew.toLowerCase()}.`}
            </li>
          ))}
      </ul>
      <PutRight
        key={checkAt(checks, { kind: 'fixed', place: corner, item: item.code })?.stamp}
        corner={corner}
        item={item.code}
        done={checkAt(checks, { kind: 'fixed', place: corner, item: item.code })}
        onWrite={onWrite}
      />
    </>
  );
}

/**
 * Things to look at, each answered by one key or tap: 1 for sound, the others for what is
 * wrong with it. Not looked at, sound and found wrong stay three different things.
 */
export function LookList({
  corner,
  items,
  checks,
  onWrite,
  refused,
  heading = 'h3',
}: LookListProps) {
  const own = useId();
  const Heading = heading;
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const go = (i: number): void => {
    const next = Math.max(0, Math.min(items.length - 1, i));
    setAt(next);
    list.current?.querySelector<HTMLElement>(`[data-look="${next}"]`)?.focus();
  };
  const answer = (item: LookItem, condition: string | null): void => {
    const check = checkAt(checks, { kind: 'look', place: corner, item: item.code });
    const value = toggled(foundOf(check), condition);
    onWrite({ kind: 'look', place: corner, item: item.code, value, note: null });
  };
  const press = (event: KeyboardEvent): void => {
    const isOwn = event.target instanceof HTMLElement && event.target.dataset.look !== undefined;
    const item = items[at];
    if (!isOwn || !item || event.ctrlKey || event.metaKey || event.altKey) return;
    const move = lookKey(event.key, item.conditions.length + 1);
    if (!move) return;
    event.preventDefault();
    if ('step' in move) go(at + move.step);
    else answer(item, move.answer === 0 ? null : item.conditions[move.answer - 1]!.code);
    if ('answer' in move && move.answer === 0) go(at + 1);
  };
  return (
    <div ref={list} onKeyDown={press}>
      {items.map((item, i) => {
        const check = checkAt(checks, { kind: 'look', place: corner, item: item.code });
        const found = foundOf(check);
        const refusal = refusedOf(refused, item.code);
        return (
          <div
            key={item.code}
            role="group"
            aria-labelledby={`${own}-${item.code}`}
            tabIndex={i === at ? 0 : -1}
            data-look={i}
            className={asking.question}
            data-part="question"
            onFocus={() => setAt(i)}
          >
            <div className="zh-row">
              <Heading id={`${own}-${item.code}`} className={`${styles.lookName} mb-0`}>
                {item.name}
              </Heading>
              <span>
                <LookMark state={lookStateOf(check)} />
                {check?.by && <span className="zh-muted"> {check.by}</span>}
              </span>
            </div>
            <CarSays kind="look" code={item.code} corner={corner} />
            <div className={asking.answers}>
              {[{ code: null, name: 'Sound' }, ...item.conditions].map(({ code, name }, n) => {
                const isChosen = code === null ? found?.length === 0 : found?.includes(code);
                return (
                  <Button
                    key={code ?? 'sound'}
                    type="button"
                    variant={isChosen ? 'dark' : 'outline-secondary'}
                    aria-pressed={isChosen ?? false}
                    onClick={() => answer(item, code)}
                  >
                    <kbd aria-hidden="true">{n + 1}</kbd> {name}
                  </Button>
                );
              })}
              <HowToTell conditions={item.conditions} />
            </div>
            {refusal && <Refusal {...refusal} />}
            {found && found.length > 0 && <Found {...{ corner, item, checks, onWrite, found }} />}
          </div>
        );
      })}
    </div>
  );
}
