'use client';

import { ButtonLink } from '@/ui/Link';
import { usePathname } from 'next/navigation';
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
  const tab = (href: string, label: string, isHere: boolean) => (
    <ButtonLink
      key={label}
      variant="outline-secondary"
      aria-current={isHere ? 'page' : undefined}
      href={href}
    >
      {label}
    </ButtonLink>
  );
  return (
    <div className={`${stageTabs.stripTabs} mb-2`}>
      <nav aria-label="Corners" className="zh-tabs">
        {tab(base, 'Rebuild', false)}
        {corners.map((each) => tab(`${base}/${each}${rest}`, each, each === corner))}
      </nav>
      <nav aria-label={`Work at ${corner}`} className="zh-tabs">
        {PARTS.map(([path, label]) => tab(`${base}/${corner}${path}`, label, rest === path))}
      </nav>
    </div>
  );
}
