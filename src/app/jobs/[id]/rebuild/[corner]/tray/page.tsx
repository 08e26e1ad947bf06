import { TrayBack } from '@/features/rebuild/TrayBack';
import { openCorner, type CornerParams } from '../../../strip/work';
import { cornerTitle } from '../../../title';

export const generateMetadata = cornerTitle('Tray back on');

export default async function TrayBackPage(props: CornerParams) {
  const { id, work } = await openCorner(props);
  return <TrayBack jobId={id} corner={work.corner} parts={work.parts} />;
}
