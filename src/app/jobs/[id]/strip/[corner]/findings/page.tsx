import { ButtonLink } from '@/ui/Link';
import { PROCEDURE } from '@/core/contracts';
import { CornerFindings } from '@/features/strip/CornerFindings';
import { openCorner, type CornerParams } from '../../work';
import { cornerTitle } from '../../../title';

export const generateMetadata = cornerTitle('Findings');

export default async function StripFindingsPage(props: CornerParams) {
  const { id, job, work } = await openCorner(props);
  const next = job.corners[job.corners.indexOf(work.corner) + 1];
  return (
    <>
      <CornerFindings key={work.corner} {...work} groups={PROCEDURE.groups} />
      <ButtonLink
        variant="primary"
        href={next ? `/jobs/${id}/strip/${next}/findings` : `/jobs/${id}/measure/${work.corner}`}
      >
        {next ? `Next corner: ${next}` : 'Measure'}
      </ButtonLink>
    </>
  );
}
