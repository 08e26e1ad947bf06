'use client';

import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { Button, Form, Table } from 'react-bootstrap';
import {
  CASE_KINDS,
  isKind,
  newCode,
  readCode,
  workOf,
  writeCode,
  type CaseKind,
} from '@/core/practice';
import { KNOWLEDGE } from '@/core/contracts';
import { meanOf } from '@/core/numeric';
import { formatIn, type UnitSystem } from '@/core/units';
import Link, { ButtonLink } from '@/ui/Link';
import { SOURCE_NAME } from './ApartAnswer';
import { learningOf, outcomesCsv, type Learning } from './learning';
import { useOutcomes, type Outcome } from './run';
import styles from './practice.module.css';

interface KindWords {
  readonly name: string;
  readonly say: string;
  readonly button: string;
}

const READ: Readonly<Record<CaseKind['subject'], KindWords>> = {
  dial: {
    name: 'With the dial',
    say: 'Runout of one corner. Something at the dial may be wrong, or nothing.',
    button: 'New case with the dial',
  },
  micrometer: {
    name: 'With the micrometer',
    say: 'Thickness of one corner. Something at the micrometer may be wrong, or nothing.',
    button: 'New case with the micrometer',
  },
  both: {
    name: 'With both',
    say: 'Runout and thickness; up to two things are wrong at the bench.',
    button: 'New case with both',
  },
};
const APART: KindWords = {
  name: 'Tell apart',
  say: 'Runout is beyond: hub, rotor, dirt or nuts? Move the rotor on, and leave it where it sits best.',
  button: 'New case to tell apart',
};

const DECIDE: KindWords = {
  name: 'Decide',
  say: 'Read runout and thickness, then cut, plate, renew or leave: metal, money and a comeback count.',
  button: 'New case to decide',
};

const FIND: KindWords = {
  name: 'Find',
  say: 'A whole car and its customer: ask, drive, look, measure, put right and show; minutes and money count.',
  button: 'New car',
};

const wordsOf = ({ level, subject }: CaseKind): KindWords =>
  ({ read: READ[subject], apart: APART, decide: DECIDE, find: FIND })[level];

const pathOf = (code: string): string => `/practice/${code}`;

/** Begins a case: of a subject, or the one of a code. */
function Begin({ next }: { readonly next: CaseKind }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const open = (event: FormEvent): void => {
    event.preventDefault();
    const read = readCode(text);
    if (read) router.push(pathOf(writeCode(read)));
    else setError('A code is two letters and five signs, like RD-7K3Q0.');
  };
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
                variant={isKind(kind, next) ? 'primary' : 'outline-secondary'}
                onClick={() => router.push(pathOf(newCode(kind, Math.random())))}
              >
                {button}
              </Button>
            </section>
          );
        })}
      </div>
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
    </>
  );
}

/** A cause by its code, in words. */
const causeName = (code: string): string =>
  KNOWLEDGE.causes.find((each) => each.code === code)?.name.toLowerCase() ?? code;

/** What the cases say of what is to be learned. */
function Learned({ learning, units }: { readonly learning: Learning; readonly units: UnitSystem }) {
  const { cases, right, harms, pace, missed, mistaken, mistakenCauses, errors } = learning;
  const recent = errors.slice(0, 5);
  const mean = recent.length === 0 ? 0 : meanOf(recent);
  return (
    <p>
      <span className="zh-figure">
        {right} of {cases}
      </span>{' '}
      right
      {harms > 0 && (
        <>
          , <span className="zh-figure">{harms}</span> with harm
        </>
      )}
      {pace !== null && (
        <>
          , <span className="zh-figure">{pace.toFixed(1)}</span> times the shortest way
        </>
      )}
      .
      {recent.length > 0 && (
        <>
          {' '}
          Readings of the last {recent.length === 1 ? 'case' : `${recent.length} cases`} were off by{' '}
          <span className="zh-figure">{formatIn(units, 'deviation', mean)}</span>.
        </>
      )}
      {missed[0] && (
        <>
          {' '}
          Missed most: {workOf(missed[0].fault).look.name.toLowerCase()} (
          <span className="zh-figure">{missed[0].count}</span>).
        </>
      )}
      {mistaken[0] && (
        <>
          {' '}
          Mistaken most: {SOURCE_NAME[mistaken[0].source]} for {SOURCE_NAME[mistaken[0].said]} (
          <span className="zh-figure">{mistaken[0].count}</span>).
        </>
      )}
      {mistakenCauses[0] && (
        <>
          {' '}
          Of whole cars: {causeName(mistakenCauses[0].cause)} taken for{' '}
          {causeName(mistakenCauses[0].said)} (
          <span className="zh-figure">{mistakenCauses[0].count}</span>).
        </>
      )}
    </p>
  );
}

/** Cases that were ended on this device. */
function Done({ outcomes }: { readonly outcomes: readonly Outcome[] }) {
  const save = (): void => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([outcomesCsv(outcomes)], { type: 'text/csv' }));
    link.download = 'practice.csv';
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <>
      <div className="table-responsive">
        <Table>
          <thead>
            <tr>
              <th scope="col">Case</th>
              <th scope="col">Who</th>
              <th scope="col">Came out</th>
              <th scope="col">Minutes (shortest)</th>
              <th scope="col">Missed</th>
            </tr>
          </thead>
          <tbody>
            {outcomes.map((each) => (
              <tr key={`${each.code} ${each.at}`}>
                <td>
                  <Link className="zh-link zh-figure" href={pathOf(each.code)}>
                    {each.code}
                  </Link>
                </td>
                <td>{each.who ?? '–'}</td>
                <td>{each.isHarm ? 'harm' : each.isRight ? 'right' : 'not right'}</td>
                <td className="zh-figure">
                  {each.minutes.toFixed(0)} ({each.best.toFixed(0)})
                </td>
                <td>
                  {each.missed.map((fault) => workOf(fault).look.name.toLowerCase()).join(', ') ||
                    'nothing'}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
      <Button variant="outline-secondary" onClick={save}>
        As CSV
      </Button>
    </>
  );
}

/** Where practice begins, and what came of it on this device. */
export function PracticeDesk({
  who,
  units,
}: {
  readonly who: string | null;
  readonly units: UnitSystem;
}) {
  const all = useOutcomes();
  const [isOwn, setOwn] = useState(false);
  const outcomes = isOwn ? all.filter((each) => each.who === who) : all;
  const learning = learningOf(outcomes);
  return (
    <>
      <Begin next={learning.next} />
      <section className="zh-card mb-3">
        <h2>Proving ground</h2>
        <p>Ways of working, tried on many corners before one is tried on a customer.</p>
        <ButtonLink variant="outline-secondary" href="/practice/proving">
          Try ways of working
        </ButtonLink>
      </section>
      <h2>What came of it</h2>
      {who !== null && all.some((each) => each.who !== who) && (
        <Form.Check
          id="practice-own"
          label={`${who} only`}
          checked={isOwn}
          onChange={(event) => setOwn(event.target.checked)}
        />
      )}
      {outcomes.length === 0 ? (
        <p className="zh-muted">No case was ended on this device yet.</p>
      ) : (
        <>
          <Learned {...{ learning, units }} />
          <Done outcomes={outcomes} />
        </>
      )}
    </>
  );
}
