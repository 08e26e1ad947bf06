'use client';

import { useEffect, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import styles from './practice.module.css';

interface AnswerFormProps<Value extends string> {
  readonly asked: string;
  /** What is to be known for it. */
  readonly known?: string;
  readonly answers: readonly {
    readonly value: Value;
    readonly name: string;
    readonly note?: string;
  }[];
  readonly button: string;
  /** What the way back is called. */
  readonly leave?: string;
  readonly onSay: (value: Value) => void;
  /** Back to the bench, where more is to be read first. */
  readonly onLeave: () => void;
}

/** Asks for one answer at the end of a case; the truth is shown once it is said. */
export function AnswerForm<Value extends string>(props: AnswerFormProps<Value>) {
  const { asked, known, answers, button, leave = 'Read on', onSay, onLeave } = props;
  const [said, setSaid] = useState<Value | null>(null);
  const first = useRef<HTMLInputElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <Form
      className="zh-card mb-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (said) onSay(said);
      }}
    >
      <fieldset>
        <legend className="fs-5 fw-bold">{asked}</legend>
        {known && <p className="mb-1">{known}</p>}
        <div className={styles.answers}>
          {answers.map(({ value, name, note }, i) => (
            <Form.Check
              key={value}
              ref={i === 0 ? first : undefined}
              type="radio"
              id={`practice-${value}`}
              name="practice-answer"
              label={
                <span>
                  {name}
                  {note && <span className="zh-muted d-block">{note}</span>}
                </span>
              }
              checked={said === value}
              onChange={() => setSaid(value)}
            />
          ))}
        </div>
      </fieldset>
      <div className="d-flex flex-wrap gap-2">
        <Button type="submit" disabled={said === null}>
          {button}
        </Button>
        <Button variant="outline-secondary" onClick={onLeave}>
          {leave}
        </Button>
      </div>
    </Form>
  );
}
