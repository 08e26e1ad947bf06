import type { Metadata } from 'next';
import { TrayBack } from '@/features/rebuild/TrayBack';
import { openCorner, type CornerParams } from '../../../strip/work';

export const metadata: Metadata = { title: 'Tray back on' };

export default async function TrayBackPage(props: CornerParams) {
  const { id, work } = await openCorner(props);
  return <TrayBack jobId={id} corner={work.corner} parts={work.parts} />;
}
