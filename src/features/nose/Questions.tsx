'use client';

import { Button } from 'react-bootstrap';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { answersIn, toggled } from '@/core/diagnosis';
import { useAnswers } from './useAnswers';
import { CarSays } from '@/ui/practice';
import asking from '@/ui/shell/asking.module.css';

export interface Question {
  readonly code: string;
  readonly question: string;
  readonly values: readonly {
    readonly code: string;
    readonly label: string;
    readonly alone?: boolean | undefined;
  }[];
  /** Several answers may stand together. */
  readonly several?: boolean | undefined;
  /** The answer to another question after which this one is not asked. */
  readonly unless?: { readonly code: string; readonly value: string } | undefined;
}

interface QuestionsProps {
  readonly jobId: string;
  readonly questions: readonly Question[];
  /** Answers on record, by the question's code. */
  readonly answers: Readonly<Record<string, string>>;
}

/** Where a key leads from a question: an answer's number, a step, or nowhere. */
export function keyOf(
  key: string,
  count: number,
): { readonly answer: number } | { readonly step: number } | null {
  const number = Number(key);
  if (/^[1-9]$/.test(key) && number <= count) return { answer: number - 1 };
  if (key === '0' || key === 'ArrowDown') return { step: 1 };
  return key === 'ArrowUp' || key === 'Backspace' ? { step: -1 } : null;
}

/** The questions of a complaint, answered by one key or tap each; each may be left open. */
export function Questions({ jobId, questions: all, answers }: QuestionsProps) {
  const isNew = Object.keys(answers).length === 0;
  const [chosen, setAt] = useState(0);
  const { shown, answer: give, trouble } = useAnswers(jobId, answers);
  const questions = all.filter(
    ({ unless }) => unless === undefined || shown[unless.code] !== unless.value,
  );
  // An answer given elsewhere may have taken the last one away.
  const at = Math.min(chosen, questions.length - 1);
  const list = useRef<HTMLDivElement>(null);
  const group = (i: number): HTMLElement | null =>
    list.current?.querySelector(`[data-question="${i}"]`) ?? null;

  useEffect(() => {
    // A complaint that was not asked about yet begins under the keys.
    if (isNew) list.current?.querySelector<HTMLElement>('[data-question="0"]')?.focus();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when the page opens
  }, []);

  const go = (i: number): void => {
    const next = Math.max(0, Math.min(questions.length - 1, i));
    setAt(next);
    group(next)?.focus();
  };

  const answer = (i: number, value: string): void => {
    const { code, several } = questions[i]!;
    const taken = toggled(questions[i]!, shown[code], value);
    give(code, taken);
    // Of several answers there may be more to give.
    if (taken === null || several || i >= questions.length - 1) return;
    // Where this answer takes the next question away, the one after it stands there in a moment.
    const { unless } = questions[i + 1]!;
    const isGone = unless?.code === code && unless.value === taken;
    if (isGone) requestAnimationFrame(() => go(i + 1));
    else go(i + 1);
  };

  const isGiven = (code: string, value: string): boolean =>
    answersIn(shown[code] ?? '').includes(value);

  const press = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'Escape') {
      (document.activeElement as HTMLElement | null)?.blur();
      return;
    }
    const move = keyOf(event.key, questions[at]!.values.length);
    if (!move) return;
    event.preventDefault();
    if ('answer' in move) answer(at, questions[at]!.values[move.answer]!.code);
    else go(at + move.step);
  };

  return (
    <div ref={list} className="zh-questions" onKeyDown={press}>
      {trouble && (
        <p className="zh-error" role="alert">
          {trouble} Give the answer again, or another.
        </p>
      )}
      {questions.map(({ code, question, values, several }, i) => (
        <div
          key={code}
          role="group"
          aria-labelledby={`zh-q-${code}`}
          tabIndex={i === at ? 0 : -1}
          data-question={i}
          className={asking.question}
          data-part="question"
          onFocus={() => setAt(i)}
        >
          <h3 id={`zh-q-${code}`}>
            {question}
            {several && <span className="zh-muted fs-6 fw-normal"> Several may be so.</span>}
          </h3>
          <CarSays kind="finding" code={code} corner={null} />
          <div className={asking.answers}>
            {values.map((value, n) => (
              <Button
                key={value.code}
                type="button"
                variant={isGiven(code, value.code) ? 'dark' : 'outline-secondary'}
                aria-pressed={isGiven(code, value.code)}
                onClick={() => answer(i, value.code)}
              >
                <kbd aria-hidden="true">{n + 1}</kbd> {value.label}
              </Button>
            ))}
          </div>
        </div>
      ))}
    </div>
  );
}
