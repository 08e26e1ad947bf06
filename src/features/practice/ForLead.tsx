'use client';

import { group } from 'd3-array';
import { Button } from 'react-bootstrap';
import { formatIn, type UnitSystem } from '@/core/units';
import type { PracticeOfShop, Task } from '@/server/practice/practice';
import { useSend } from '@/ui/field';
import Link from '@/ui/Link';
import { CardTable } from '@/ui/table';
import { Done, Learned } from './CameOf';
import { learningOf } from './learning';
import { SetCase } from './SetCase';
import { pathOf, wordsOf } from './words';
import { takeTaskBack } from './writes';

type Shop = NonNullable<PracticeOfShop['shop']>;

const SET = ['Case', 'For', 'Word', 'Came of it'] as const;

/** Cases that are set: open ones can be taken back, done ones looked at. */
function Tasks({ tasks }: { readonly tasks: readonly Task[] }) {
  const { send, busy, trouble } = useSend(takeTaskBack);
  if (tasks.length === 0) return <p className="zh-muted">Nothing is set for anybody.</p>;
  return (
    <>
      <CardTable columns={SET}>
        {[...tasks].reverse().map(({ id, code, person, note, by, doneBy, takenBackBy }) => (
          <tr key={id} role="row">
            <td role="cell" data-label={SET[0]} className="zh-figure">
              {code}
            </td>
            <td role="cell" data-label={SET[1]}>
              {person}
            </td>
            <td role="cell" data-label={SET[2]}>
              {note || '–'} <span className="zh-muted">{by}</span>
            </td>
            <td role="cell" data-label={SET[3]}>
              {doneBy === null && takenBackBy !== null && (
                <span className="zh-muted">taken back by {takenBackBy}</span>
              )}
              {doneBy === null && takenBackBy === null && (
                <Button
                  variant="outline-secondary"
                  disabled={busy}
                  aria-label={`Take ${code} back from ${person}`}
                  onClick={() => send([id])}
                >
                  Take back
                </Button>
              )}
              {doneBy !== null && (
                <Link className="zh-link" href={pathOf(code, doneBy)}>
                  See {person}’s way
                </Link>
              )}
            </td>
          </tr>
        ))}
      </CardTable>
      {trouble && (
        <p className="zh-error" role="alert">
          {trouble}
        </p>
      )}
    </>
  );
}

/** What somebody’s cases say, and the cases themselves. */
function Learner({
  name,
  cases,
  units,
}: {
  readonly name: string;
  readonly cases: Shop['cases'];
  readonly units: UnitSystem;
}) {
  const learning = learningOf(cases);
  const { right, harms, error, next } = learning;
  return (
    <details className="mb-2">
      <summary className="zh-fold">
        {name}: {right} of {cases.length} right
        {harms > 0 && `, ${harms} with harm`}
        {error.now !== null && `, readings off by ${formatIn(units, 'deviation', error.now)}`}.
        Weakest: {wordsOf(next).name.toLowerCase()}
      </summary>
      <Learned {...{ learning, units }} />
      <Done outcomes={cases} />
    </details>
  );
}

/** What a lead sees: a case set for somebody, what was set, and how everybody learns. */
export function ForLead({ shop, units }: { readonly shop: Shop; readonly units: UnitSystem }) {
  const byPerson = [...group(shop.cases, ({ personId }) => personId).values()].sort((p, q) =>
    (p[0]?.who ?? '').localeCompare(q[0]?.who ?? ''),
  );
  return (
    <>
      <section className="zh-card mb-3" aria-labelledby="practice-set">
        <h2 id="practice-set">Set a case for somebody</h2>
        <SetCase people={shop.people} tasks={shop.tasks} />
        <Tasks tasks={shop.tasks} />
      </section>
      <section className="zh-card mb-3" aria-labelledby="practice-shop">
        <h2 id="practice-shop">How the shop learns</h2>
        {shop.isCut && <p className="zh-muted">By the latest {shop.cases.length} cases.</p>}
        {byPerson.length === 0 ? (
          <p className="zh-muted mb-0">
            Nobody ended a case under a name yet: what is ended by somebody who chose a name stands
            here.
          </p>
        ) : (
          byPerson.map((cases) => (
            <Learner key={cases[0]!.personId} name={cases[0]!.who ?? ''} {...{ cases, units }} />
          ))
        )}
      </section>
    </>
  );
}
