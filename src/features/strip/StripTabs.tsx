'use client';

import { usePathname } from 'next/navigation';
import { PlaceRow } from '@/ui/shell';
import stageTabs from '@/ui/shell/stageTabs.module.css';

const PARTS = [
  ['', 'Step by step'],
  ['/findings', 'Findings'],
  ['/tray', 'Tray'],
  ['/hub', 'Hub'],
] as const;

interface StripTabsProps {
  readonly jobId: string;
  readonly corner: string;
  readonly corners: readonly string[];
  /** A drum has no hub face that is read by itself. */
  readonly isDrum?: boolean;
}

/** The corners of the job, and the screens of the one that is open. */
export function StripTabs({ jobId, corner, corners, isDrum = false }: StripTabsProps) {
  const base = `/jobs/${jobId}/strip`;
  const rest = usePathname().slice(`${base}/${corner}`.length);
  return (
    <div className={`${stageTabs.stripTabs} mb-2`}>
      <PlaceRow
        label="Corners"
        places={[
          { href: base, label: 'Strip', isHere: false },
          ...corners.map((each) => ({
            href: `${base}/${each}${rest}`,
            label: each,
            isHere: each === corner,
          })),
        ]}
      />
      <PlaceRow
        label={`Work at ${corner}`}
        places={PARTS.filter(([path]) => !(isDrum && path === '/hub')).map(([path, label]) => ({
          href: `${base}/${corner}${path}`,
          label,
          isHere: rest === path,
        }))}
      />
    </div>
  );
}
