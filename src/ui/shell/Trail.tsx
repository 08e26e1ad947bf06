'use client';

import Link from '@/ui/Link';
import { usePathname } from 'next/navigation';
import type { Corner } from '@/core/readings';
import { jobHref } from './places';
import trail from './trail.module.css';

export type StageState = 'done' | 'open' | 'left-out';

export interface TrailStage {
  readonly key: StageKey;
  readonly corner: Corner | null;
  readonly state: StageState;
}

export type StageKey = keyof typeof LABEL;

/** What the stages are called on the trail. */
const LABEL = {
  complaint: 'Complaint',
  'road-test': 'Road test',
  strip: 'Strip',
  measure: 'Measure',
  decide: 'Decide',
  correct: 'Correct',
  rebuild: 'Rebuild',
  prove: 'Prove',
  report: 'Report',
} as const;

/** The letter after g that leads to a stage; none of them is a page’s. */
export const STAGE_KEY: Readonly<Record<StageKey, string>> = {
  complaint: 'c',
  'road-test': 'r',
  strip: 's',
  measure: 'm',
  decide: 'e',
  correct: 'x',
  rebuild: 'b',
  prove: 'p',
  report: 'o',
};

export const stageName = (stage: StageKey): string => LABEL[stage];

const STATE_WORD: Readonly<Record<StageState, string>> = {
  done: 'done',
  open: 'open',
  'left-out': 'left out',
};

/** A paw: solid when the stage is done, open when not, dashed when left out on purpose. */
function Print({ state }: { state: StageState }) {
  const look = {
    fill: state === 'done' ? 'currentColor' : 'none',
    stroke: 'currentColor',
    strokeWidth: 1.6,
    strokeDasharray: state === 'left-out' ? '2 2' : undefined,
  };
  return (
    <svg width="26" height="24" viewBox="0 0 26 24" aria-hidden="true">
      <path
        d="M13 11.5c3.6 0 7 3.4 7 6.6 0 2.5-2 3.4-3.8 3.4-1.3 0-2-.5-3.2-.5s-1.9.5-3.2.5C8 21.5 6 20.6 6 18.1c0-3.2 3.4-6.6 7-6.6z"
        {...look}
      />
      <ellipse cx="4.5" cy="10.5" rx="2.3" ry="3" {...look} />
      <ellipse cx="10" cy="5.5" rx="2.4" ry="3.2" {...look} />
      <ellipse cx="16" cy="5.5" rx="2.4" ry="3.2" {...look} />
      <ellipse cx="21.5" cy="10.5" rx="2.3" ry="3" {...look} />
    </svg>
  );
}

/** Pages that belong to a stage under another address. */
const PART_OF: Readonly<Record<string, string>> = {
  'as-found': 'strip',
  rules: 'strip',
  estimate: 'decide',
  parts: 'decide',
};

/** The trail of a job: its stages in the order of work. */
export function Trail({
  jobId,
  stages,
}: {
  readonly jobId: string;
  readonly stages: readonly TrailStage[];
}) {
  const place = usePathname().split('/')[3] ?? '';
  const current = PART_OF[place] ?? place;
  return (
    <nav aria-label="Stages of the job">
      <ol className={trail.trail}>
        {stages.map(({ key, corner, state }) => (
          <li key={key}>
            <Link
              href={jobHref(jobId, { page: key, corner })}
              aria-current={key === current ? 'step' : undefined}
              data-key={STAGE_KEY[key]}
              title={`Keys: g ${STAGE_KEY[key]}`}
            >
              <Print state={state} />
              <span>
                {LABEL[key]}
                <span className="visually-hidden">, {STATE_WORD[state]}</span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </nav>
  );
}
