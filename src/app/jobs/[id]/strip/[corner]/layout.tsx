import type { ReactNode } from 'react';
import { StripTabs } from '@/features/strip/StripTabs';
import { CornerFrame } from '../../CornerFrame';

export default function StripCornerLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ id: string; corner: string }>;
}) {
  return (
    <CornerFrame params={params} stage="Strip" tabs={(place) => <StripTabs {...place} />}>
      {children}
    </CornerFrame>
  );
}
