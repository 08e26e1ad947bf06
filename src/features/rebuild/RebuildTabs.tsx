'use client';

import { usePathname } from 'next/navigation';
import { PlaceRow } from '@/ui/shell';
import stageTabs from '@/ui/shell/stageTabs.module.css';

const PARTS = [
  ['', 'Step by step'],
  ['/torque', 'Torque'],
  ['/tray', 'Tray'],
] as const;

/** The corners of the job, and the screens of the one that goes together. */
export function RebuildTabs({
  jobId,
  corner,
  corners,
}: {
  readonly jobId: string;
  readonly corner: string;
  readonly corners: readonly string[];
}) {
  const base = `/jobs/${jobId}/rebuild`;
  const rest = usePathname().slice(`${base}/${corner}`.length);
  return (
    <div className={`${stageTabs.stripTabs} mb-2`}>
      <PlaceRow
        label="Corners"
        places={[
          { href: base, label: 'Rebuild', isHere: false },
          ...corners.map((each) => ({
            href: `${base}/${each}${rest}`,
            label: each,
            isHere: each === corner,
          })),
        ]}
      />
      <PlaceRow
        label={`Work at ${corner}`}
        places={PARTS.map(([path, label]) => ({
          href: `${base}/${corner}${path}`,
          label,
          isHere: rest === path,
        }))}
      />
    </div>
  );
}
