import { Table } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { NO_CAUSE } from '@/core/insights';
import type { UnitSystem } from '@/core/units';
import type { InsightsView } from '@/server/records/insights';
import { Comebacks } from './Comebacks';
import { correctionName, sayShare } from './model';
import { Predictions } from './Predictions';
import { Savings } from './Savings';
import { StageTimes } from './StageTimes';
import lists from '@/ui/shell/lists.module.css';
import asking from '@/ui/shell/asking.module.css';

/** Findings that the list shows before it is asked for all. */
const FIRST_FOUND = 12;

interface InsightsBoardProps {
  readonly view: InsightsView;
  readonly year: number | null;
  readonly units: UnitSystem;
  /** Names of causes by code. */
  readonly causes: Readonly<Record<string, string>>;
  /** Names of findings by "code=value". */
  readonly findings: Readonly<Record<string, string>>;
}

function Years({
  years,
  year,
}: {
  readonly years: readonly number[];
  readonly year: number | null;
}) {
  const places = [
    { href: '/insights', label: 'All years', isHere: year === null },
    ...years.map((each) => ({
      href: `/insights?year=${each}`,
      label: String(each),
      isHere: year === each,
    })),
  ];
  return (
    <nav aria-label="Years" className="d-flex flex-wrap gap-2 mb-3">
      {places.map(({ href, label, isHere }) => (
        <ButtonLink
          key={href}
          variant={isHere ? 'secondary' : 'outline-secondary'}
          aria-current={isHere ? 'page' : undefined}
          href={href}
        >
          {label}
        </ButtonLink>
      ))}
    </nav>
  );
}

function FoundTable({
  found,
  names,
}: {
  readonly found: InsightsView['found'];
  readonly names: InsightsBoardProps['findings'];
}) {
  return (
    <Table size="sm" className="mb-0">
      <thead>
        <tr>
          <th scope="col">Found wrong</th>
          <th scope="col">Corners</th>
        </tr>
      </thead>
      <tbody>
        {found.map(({ code, value, count }) => (
          <tr key={`${code}=${value}`}>
            <th scope="row">{names[`${code}=${value}`] ?? `${code}: ${value}`}</th>
            <td className="zh-figure">{count}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** What the closed jobs have taught the shop. */
export function InsightsBoard({ view, year, units, causes, findings }: InsightsBoardProps) {
  const { jobs, comebacks, found } = view;
  if (jobs === 0) {
    return (
      <>
        <Years years={view.years} year={year} />
        <div className="zh-card">
          <p className="mb-0">
            {year === null
              ? 'No job is signed off yet: the hound has nothing to look back on.'
              : `No job was signed off in ${year}.`}
          </p>
        </div>
      </>
    );
  }
  return (
    <>
      <Years years={view.years} year={year} />
      <p>
        <span className="zh-figure zh-figure-large">{jobs.toLocaleString('en')}</span>{' '}
        {jobs === 1 ? 'job' : 'jobs'} signed off. Came back: {sayShare(comebacks)}.
      </p>
      <div className={lists.columns}>
        <section className="zh-card" aria-labelledby="by-cause">
          <h2 id="by-cause">Comebacks by cause</h2>
          <Comebacks
            caption="Confirmed cause"
            rows={view.byCause}
            nameOf={(key) => (key === NO_CAUSE ? 'none confirmed' : (causes[key] ?? key))}
          />
        </section>
        <section className="zh-card" aria-labelledby="by-correction">
          <h2 id="by-correction">Comebacks by correction</h2>
          {view.byCorrection.length === 0 ? (
            <p className="mb-0">Nothing was decided in these jobs.</p>
          ) : (
            <Comebacks caption="Correction" rows={view.byCorrection} nameOf={correctionName} />
          )}
        </section>
      </div>
      <section className="zh-card mt-3" aria-labelledby="right">
        <h2 id="right">Is the tool right?</h2>
        <Predictions rows={view.predictions} proofs={view.proofs} units={units} />
      </section>
      <div className={`${lists.columns} mt-3`}>
        <section className="zh-card" aria-labelledby="money">
          <h2 id="money">Against “always new”</h2>
          <Savings savings={view.savings} />
        </section>
        <section className="zh-card" aria-labelledby="times">
          <h2 id="times">Time per stage</h2>
          <StageTimes stages={view.stages} />
        </section>
      </div>
      <section className="zh-card mt-3" aria-labelledby="found">
        <h2 id="found">What was found how often</h2>
        {found.length === 0 ? (
          <p className="mb-0">Nothing was found wrong in these jobs.</p>
        ) : (
          <FoundTable found={found.slice(0, FIRST_FOUND)} names={findings} />
        )}
        {found.length > FIRST_FOUND && (
          <details className={asking.tell}>
            <summary>{found.length - FIRST_FOUND} more</summary>
            <FoundTable found={found.slice(FIRST_FOUND)} names={findings} />
          </details>
        )}
      </section>
    </>
  );
}
