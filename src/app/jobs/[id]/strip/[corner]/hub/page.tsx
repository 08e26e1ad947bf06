import { ButtonLink } from '@/ui/Link';
import { Cautions } from '@/ui/procedure';
import { CleaningTable } from '@/features/strip/CleaningTable';
import { HubLooks } from '@/features/strip/HubLooks';
import { formatIn } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { axleAt, cleaningAt, setsOfCorner } from '@/core/job';
import { openCorner, type CornerParams } from '../../work';
import { cornerTitle } from '../../../title';

export const generateMetadata = cornerTitle('Hub');

export default async function StripHubPage(props: CornerParams) {
  const { id, job, units, work } = await openCorner(props);
  const step = work.steps.find(({ goes }) => goes === 'hub');
  const { cleaning, rows } = cleaningAt(job, work.corner);
  const hubSet = setsOfCorner(job, work.corner, 'before').findLast(({ kind }) => kind === 'hub');
  const hasRadius = axleAt(job, work.corner)?.limits.some(({ kind }) => kind === 'radius');
  return (
    <section className="zh-card" aria-labelledby="zh-hub">
      <h2 id="zh-hub">
        Hub preparation <span className="zh-figure">{work.corner}</span>
      </h2>
      <p className="zh-step-say">Brush, do not grind.</p>
      {step && (
        <>
          <p>
            {step.say} {step.why}
          </p>
          <Cautions cautions={step.cautions} />
          {step.ruleWords.map(({ code, say }) => (
            <p key={code}>
              <span className="zh-muted">House rule:</span> {say}
            </p>
          ))}
        </>
      )}
      <HubLooks work={work} codes={['seat', 'straight-edge', 'studs']} />
      <h3 className="mt-3">Before and after cleaning</h3>
      <CleaningTable rows={rows} cleaning={cleaning} units={units} />
      <div className="d-flex flex-wrap gap-2 my-3">
        <ButtonLink
          variant="outline-secondary"
          href={`/jobs/${id}/as-found/${work.corner}?kind=hub`}
        >
          Hub face before cleaning
        </ButtonLink>
        <ButtonLink variant="primary" href={`/jobs/${id}/measure/${work.corner}?kind=hub`}>
          Hub face, cleaned
        </ButtonLink>
      </div>
      {hubSet && (
        <p className="mb-1">
          Cleaned hub face read at radius{' '}
          <span className="zh-figure">
            {formatIn(units, 'size', hubSet.radiusUm ?? WORKSHOP_DEFAULTS.hubFaceRadius)}
          </span>
          : {WORKSHOP_DEFAULTS.hubFaceRadius / 1000} mm is the workshop default; note your own in
          the set, since the hub’s share at the rotor follows from it.
        </p>
      )}
      <p className="zh-muted mb-0">
        {hasRadius
          ? 'The cleaned hub face tells hub from rotor with one mounting; it is used when the rotor is indexed.'
          : 'Enter the radius at which the rotor is read on the vehicle’s page: without it the hub face cannot be brought to the rotor’s circle, and is not used when the rotor is indexed.'}
      </p>
    </section>
  );
}
