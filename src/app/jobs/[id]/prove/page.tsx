import { Table } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { CORNER_NAME } from '@/core/readings';
import { Rechecks } from '@/features/signoff/Rechecks';
import { BeforeAfter } from '@/features/prove/BeforeAfter';
import { FeelScale } from '@/features/prove/FeelScale';
import { OutcomeCard } from '@/features/prove/OutcomeCard';
import { RepairProofs } from '@/features/prove/RepairProofs';
import { repairViews } from '@/server/decide/repairsView';
import { findCheck, refuseDriven } from '@/core/job';
import { proveView } from '@/server/prove/proveView';
import { shopUnits } from '@/server/shop/settings';
import { jobHref, NextThing } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';
import { Here } from '@/app/Here';
import { openJobPage, type JobParams } from '../open';

export const metadata: Metadata = { title: 'Prove' };

export default async function ProveOverviewPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const { outcome, next, rows, ratios, feel, rechecks } = proveView(job);
  const why = refuseDriven(job);
  const units = await shopUnits();
  const feelStamp = (when: string) => findCheck(job, 'prove', '', `feel-${when}`)?.stamp ?? null;
  return (
    <WithNose job={job} isAsFound>
      <h1>Prove</h1>
      <NextThing todo={next.todo} why={next.why}>
        <ButtonLink variant="primary" href={next.place ? jobHref(id, next.place) : `/jobs/${id}`}>
          {next.label}
        </ButtonLink>
      </NextThing>
      {outcome && <OutcomeCard outcome={outcome} />}
      <Here />
      <section className="zh-card mb-3" aria-label="Measured again">
        <h2>Measured again</h2>
        <BeforeAfter rows={rows} units={units} />
        <div className="d-flex flex-wrap gap-2 mt-2">
          {job.corners.map((corner) => (
            <ButtonLink
              key={corner}
              variant="outline-secondary"
              href={`/jobs/${id}/prove/${corner}`}
            >
              Measure {corner}
              <span className="visually-hidden"> {CORNER_NAME[corner]}</span>
            </ButtonLink>
          ))}
        </div>
      </section>
      <RepairProofs jobId={id} repairs={await repairViews(job)} />
      <section className="zh-card mb-3" aria-label="Driven again">
        <h2>Driven again</h2>
        {why !== null && <div className="zh-stop mb-2">{why}</div>}
        <FeelScale jobId={id} when="before" feel={feel.before} stamp={feelStamp('before')} />
        {why === null && (
          <FeelScale jobId={id} when="after" feel={feel.after} stamp={feelStamp('after')} />
        )}
        {ratios && ratios.length > 0 && (
          <Table size="sm" className="mt-2 mb-2">
            <thead>
              <tr>
                <th scope="col">Order, braking</th>
                <th scope="col">Before (m/s²)</th>
                <th scope="col">After (m/s²)</th>
                <th scope="col">Left of it</th>
              </tr>
            </thead>
            <tbody>
              {ratios.map(({ order, before, after, ratio }) => (
                <tr key={order}>
                  <th scope="row">
                    {order === 1 ? 'once a turn' : 'twice a turn'} ({order})
                  </th>
                  <td className="zh-figure">{before.toFixed(3)}</td>
                  <td className="zh-figure">{after.toFixed(3)}</td>
                  <td className="zh-figure">{Math.round(ratio * 100)} %</td>
                </tr>
              ))}
            </tbody>
          </Table>
        )}
        {why === null && (
          <ButtonLink variant="outline-secondary" href={`/jobs/${id}/prove/road-test`}>
            Record the drive again
          </ButtonLink>
        )}
      </section>
      <Rechecks jobId={id} rechecks={rechecks} hasOdometer={job.odometerKm !== null} />
    </WithNose>
  );
}
