'use client';

import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { CASE_KINDS, isKind, newCode, readCode, writeCode, type CaseKind } from '@/core/practice';
import { pathOf, wordsOf } from './words';
import styles from './practice.module.css';

/** What is said where a code is none. */
export const NO_CODE = 'A code is two letters and five signs, like RD-7K3Q0.';

/** A case by its code, as it was typed. */
function ByCode() {
  const router = useRouter();
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const open = (event: FormEvent): void => {
    event.preventDefault();
    const read = readCode(text);
    if (read) router.push(pathOf(writeCode(read)));
    else setError(NO_CODE);
  };
  return (
    <Form className="mb-3" onSubmit={open} noValidate>
      <Form.Label htmlFor="practice-code">A case by its code</Form.Label>
      <div className="d-flex flex-wrap gap-2">
        <Form.Control
          id="practice-code"
          className="w-auto"
          value={text}
          autoCapitalize="characters"
          autoComplete="off"
          aria-invalid={error !== null}
          aria-describedby={error ? 'practice-code-error' : undefined}
          onChange={(event) => {
            setText(event.target.value);
            setError(null);
          }}
        />
        <Button type="submit" variant="outline-secondary">
          Open it
        </Button>
      </div>
      {error && (
        <p id="practice-code-error" className="zh-error mb-0" role="alert">
          {error}
        </p>
      )}
    </Form>
  );
}

/** Begins a case: of a subject, or the one of a code. */
export function BeginCase({ next }: { readonly next: CaseKind | null }) {
  const router = useRouter();
  return (
    <>
      <div className={styles.subjects}>
        {CASE_KINDS.map((kind) => {
          const { name, say, button } = wordsOf(kind);
          return (
            <section key={name} className="zh-card">
              <h2>{name}</h2>
              <p>{say}</p>
              <Button
                variant={next && isKind(kind, next) ? 'primary' : 'outline-secondary'}
                onClick={() => router.push(pathOf(newCode(kind, Math.random())))}
              >
                {button}
              </Button>
            </section>
          );
        })}
      </div>
      <ByCode />
    </>
  );
}
