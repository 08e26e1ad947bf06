import type { ReactNode } from 'react';
import { RebuildTabs } from '@/features/rebuild/RebuildTabs';
import { CornerFrame } from '../../CornerFrame';

export default function RebuildCornerLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ id: string; corner: string }>;
}) {
  return (
    <CornerFrame params={params} stage="Rebuild" tabs={(place) => <RebuildTabs {...place} />}>
      {children}
    </CornerFrame>
  );
}
