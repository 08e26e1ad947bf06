'use client';

import { ButtonLink } from '@/ui/Link';
import { usePathname } from 'next/navigation';
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
      <nav aria-label="Corners" className="zh-tabs">
        <ButtonLink variant="outline-secondary" href={base}>
          Strip
        </ButtonLink>
        {corners.map((each) => (
          <ButtonLink
            key={each}
            variant="outline-secondary"
            aria-current={each === corner ? 'page' : undefined}
            href={`${base}/${each}${rest}`}
          >
            {each}
          </ButtonLink>
        ))}
      </nav>
      <nav aria-label={`Work at ${corner}`} className="zh-tabs">
        {PARTS.filter(([path]) => !(isDrum && path === '/hub')).map(([path, label]) => (
          <ButtonLink
            key={label}
            variant="outline-secondary"
            aria-current={rest === path ? 'page' : undefined}
            href={`${base}/${corner}${path}`}
          >
            {label}
          </ButtonLink>
        ))}
      </nav>
    </div>
  );
}
