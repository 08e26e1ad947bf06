import Link, { ButtonLink } from '@/ui/Link';
import { formatDate } from '@/core/calendar';
import { after } from 'next/server';
import { z } from 'zod';
import { FirstRun } from './FirstRun';
import { StartLine } from '@/features/jobs/StartLine';
import { JobList, type JobListLine } from '@/features/jobs/JobList';
import { WaitingFor } from '@/features/jobs/WaitingFor';
import { jobHref, Pager } from '@/ui/shell';
import { allPeople } from '@/server/shop/people';
import { quickChecks } from '@/server/quick/quickCheck';
import { notSaidYet } from '@/server/shop/firstRun';
import { shopUnits } from '@/server/shop/settings';
import { whoIsHere } from '@/server/web/who';
import { dueList } from '@/server/records/due';
import {
  latestClosedJobs,
  openJobs,
  WAITS,
  waitsNow,
  type JobLine,
  type Wait,
} from '@/server/job/jobs';
import { vehicleName, type NextThing } from '@/core/job';
import { nextThings } from '@/server/job/nextThings';
import lists from '@/ui/shell/lists.module.css';

const pageNumber = z.coerce.number().int().min(1).max(100_000).catch(1);

/** What a job waits for, in a few words. */
const WAIT_NAME: Readonly<Record<Wait, string>> = {
  lead: 'waits for a lead’s signature',
  owner: 'waits for the owner’s word',
  parts: 'waits for parts',
  lathe: 'waits for another shop’s lathe',
};

/** The one next thing of a job that waits, and the stage where it is done. */
const NEXT_OF_WAIT: Readonly<Record<Wait, { say: string; stage: string }>> = {
  lead: { say: 'A lead signs it off, or says what is missing.', stage: 'report' },
  owner: { say: 'Get the owner’s word on the estimate.', stage: 'estimate' },
  parts: { say: 'Say when the parts are here.', stage: 'parts' },
  lathe: { say: 'Measure the rotor when it is back.', stage: 'correct' },
};

type NextOfJob = JobListLine['next'];

/**
 * The next thing of a job: what it waits for, else what its own pages say; where there was no time to
 * judge it, as far as its list knows it: a corner is measured by runout and thickness.
 */
function nextOf(line: JobLine, own: NextThing | undefined): NextOfJob {
  const [wait] = line.waits;
  const href = `/jobs/${line.id}`;
  if (wait) return { say: NEXT_OF_WAIT[wait].say, href: `${href}/${NEXT_OF_WAIT[wait].stage}` };
  if (own) return { say: own.todo, href: own.place ? jobHref(line.id, own.place) : href };
  const corners = line.corners.length;
  if (line.decided >= corners) return { say: 'Put it together, then prove it.', href };
  if (line.measured >= 2 * corners)
    return { say: 'Runout and thickness are read: go on to the decision.', href };
  if (line.sets > 0) return { say: 'Measure on.', href };
  return line.complaint === ''
    ? { say: 'Write down the complaint, or measure.', href: `${href}/complaint` }
    : { say: 'Drive it, strip it, measure it.', href };
}

export default async function StartPage({
  searchParams,
}: {
  searchParams: Promise<{ page?: string; waits?: string }>;
}) {
  const asked = await searchParams;
  const page = pageNumber.parse(asked.page ?? 1);
  const waits = WAITS.find((each) => each === asked.waits) ?? null;
  const { lines, total, pages } = await openJobs(page, waits);
  const ids = lines.map(({ id }) => id);
  const units = await shopUnits();
  const next = await nextThings(ids, units);
  // What there was no time for is judged once the page is out.
  if (next.size < ids.length) after(() => nextThings(ids, units, Infinity));
  const counts = await waitsNow();
  const overdue = (await dueList()).filter(({ state }) => state === 'overdue').length;
  const closed = page === 1 ? await latestClosedJobs() : [];
  const { total: checks } = await quickChecks(1);
  const isEmpty = page === 1 && waits === null && total === 0 && closed.length === 0;
  return (
    <>
      <div className="d-flex flex-wrap justify-content-between align-items-center gap-2 mb-3">
        <h1 className="mb-0">
          {waits === null ? 'Open jobs' : `Open jobs: ${WAIT_NAME[waits]}`}{' '}
          <span className="zh-muted zh-figure">{total}</span>
        </h1>
        <div className="d-flex flex-wrap gap-2">
          {checks > 0 && (
            <ButtonLink variant="outline-secondary" href="/checks">
              Quick checks <span className="zh-figure">{checks}</span>
            </ButtonLink>
          )}
          <ButtonLink variant="outline-secondary" href="/jobs/new">
            New job
          </ButtonLink>
          <ButtonLink variant="primary" href="/checks/new" title="Key: q">
            Quick check
          </ButtonLink>
        </div>
      </div>
      <StartLine />
      <WaitingFor
        waits={WAITS.map((wait) => ({ wait, name: WAIT_NAME[wait], count: counts[wait] }))}
        chosen={waits}
        overdue={overdue}
      />
      {isEmpty && (
        <FirstRun
          open={await notSaidYet()}
          people={await allPeople()}
          here={(await whoIsHere())?.id ?? null}
        />
      )}
      {lines.length === 0 ? (
        <div className="zh-card">
          <p className="mb-2">No open job: the hound is asleep under the bench.</p>
          <Link href="/jobs/new">Open a job</Link>
        </div>
      ) : (
        <JobList
          lines={lines.map((line) => ({
            ...line,
            name: vehicleName(line),
            complaint: line.complaint || 'No complaint written down yet.',
            next: nextOf(line, next.get(line.id)),
            waits: line.waits.map((wait) => WAIT_NAME[wait]),
            since: formatDate(line.createdAt, 'D MMM YYYY'),
          }))}
        />
      )}
      <Pager
        page={page}
        pages={pages}
        isMore={page < pages}
        hrefOf={(number) => `/?page=${number}${waits === null ? '' : `&waits=${waits}`}`}
        before="Newer"
        next="Older"
      />
      {/* On a phone the header has no room for these. */}
      <nav className="d-flex d-md-none flex-wrap gap-2 mt-3" aria-label="More">
        {[
          ['/find', 'Find'],
          ['/due', 'Due'],
          ['/insights', 'Insights'],
        ].map(([href = '/', label]) => (
          <ButtonLink key={href} variant="outline-secondary" href={href}>
            {label}
          </ButtonLink>
        ))}
      </nav>
      {closed.length > 0 && (
        <section className="mt-4">
          <h2>Closed last</h2>
          <ul className={lists.list}>
            {closed.map((job) => (
              <li key={job.id}>
                <Link className="zh-link gap-2" href={`/jobs/${job.id}/report`}>
                  <span className="zh-figure">{job.plate}</span> job {job.number}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
