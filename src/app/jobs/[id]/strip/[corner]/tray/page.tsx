import { Tray } from '@/features/strip/Tray';
import { openCorner, type CornerParams } from '../../work';
import { cornerTitle } from '../../../title';

export const generateMetadata = cornerTitle('Parts tray');

export default async function StripTrayPage(props: CornerParams) {
  const { id, work } = await openCorner(props);
  return (
    <section className="zh-card" aria-labelledby="zh-tray">
      <h2 id="zh-tray">
        Parts tray <span className="zh-figure">{work.corner}</span>
      </h2>
      <Tray jobId={id} corner={work.corner} choices={work.choices} parts={work.parts} />
    </section>
  );
}
