'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { UnitSystem } from '@/core/units';
import type { PracticeOfShop, Task } from '@/server/practice/practice';
import type { ReplayLine } from '@/server/practice/replay';
import { ButtonLink } from '@/ui/Link';
import { BeginCase } from './BeginCase';
import { Done, Learned, type Ended } from './CameOf';
import { ForLead } from './ForLead';
import { learningOf } from './learning';
import { useOutcomes, type Worker } from './run';
import { pathOf } from './words';

/** What a lead set for whoever is here, the first of it as the next thing to do. */
const SetForYou = ({ tasks }: { readonly tasks: readonly Task[] }) => (
  <section className="zh-card mb-3" aria-labelledby="practice-yours">
    <h2 id="practice-yours">Set for you</h2>
    <ul className="list-unstyled mb-0">
      {tasks.map(({ id, code, by, note }, i) => (
        <li key={id} className="d-flex flex-wrap gap-2 align-items-center mb-2">
          <ButtonLink variant={i === 0 ? 'primary' : 'outline-secondary'} href={pathOf(code)}>
            Work {code}
          </ButtonLink>
          <span>
            {note} <span className="zh-muted">{by}</span>
          </span>
        </li>
      ))}
    </ul>
  </section>
);

/** Signed jobs that can be worked again. */
const RealJobs = ({ jobs }: { readonly jobs: readonly ReplayLine[] }) => (
  <section className="zh-card mb-3">
    <h2>A job of this shop, worked again</h2>
    <p>What was written down in it is given when you ask; what it was signed with comes last.</p>
    <ul className="list-unstyled mb-0">
      {jobs.map(({ id, number, complaint }) => (
        <li key={id} className="d-flex flex-wrap gap-2 align-items-center mb-2">
          <ButtonLink variant="outline-secondary" href={`/practice/job/${id}`}>
            Work job {number} again
          </ButtonLink>
          <span className="zh-muted">{complaint}</span>
        </li>
      ))}
    </ul>
  </section>
);

/** Cases that were ended on this device or handed in, each once, the latest first; a lead sees others’ below. */
function useEnded({ own, shop }: PracticeOfShop): readonly Ended[] {
  const here = useOutcomes();
  const handedIn = new Set((shop?.cases ?? own).map(({ code, at }) => `${code} ${at}`));
  return [
    ...own,
    ...here
      .filter(({ code, at }) => !handedIn.has(`${code} ${at}`))
      .map((each) => ({ ...each, id: null })),
  ].sort((a, b) => b.at - a.at);
}

/** Where practice begins, what came of it on this device and under a name, and what a lead set. */
export function PracticeDesk({
  who,
  units,
  shop: ofShop,
  jobs,
}: {
  readonly who: Worker | null;
  readonly units: UnitSystem;
  readonly shop: PracticeOfShop;
  readonly jobs: readonly ReplayLine[];
}) {
  const { tasks, shop } = ofShop;
  const all = useEnded(ofShop);
  const [isOwn, setOwn] = useState(false);
  const outcomes = isOwn ? all.filter((each) => each.who === who?.name) : all;
  const learning = learningOf(outcomes);
  return (
    <>
      {tasks.length > 0 && <SetForYou tasks={tasks} />}
      <BeginCase next={tasks.length > 0 ? null : learning.next} />
      {jobs.length > 0 && <RealJobs jobs={jobs} />}
      <section className="zh-card mb-3">
        <h2>Proving ground</h2>
        <p>Ways of working, tried on many corners before one is tried on a customer.</p>
        <ButtonLink variant="outline-secondary" href="/practice/proving">
          Try ways of working
        </ButtonLink>
      </section>
      <h2>What came of it</h2>
      {who !== null && all.some((each) => each.who !== who.name) && (
        <Form.Check
          id="practice-own"
          label={`${who.name} only`}
          checked={isOwn}
          onChange={(event) => setOwn(event.target.checked)}
        />
      )}
      {outcomes.length === 0 ? (
        <p className="zh-muted">
          No case was ended{' '}
          {who
            ? 'yet'
            : 'on this device yet; with a name chosen at “Who is here” it is kept for you on every device'}
          .
        </p>
      ) : (
        <>
          <Learned {...{ learning, units }} />
          <Done outcomes={outcomes} />
        </>
      )}
      {shop && <ForLead {...{ shop, units }} />}
    </>
  );
}
