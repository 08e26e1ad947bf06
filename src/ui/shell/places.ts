import type { Corner } from '@/core/readings';

/** Where the pages of a job are, below its own address; `:corner` stands for the corner. */
const PAGES = {
  complaint: 'complaint',
  'road-test': 'road-test',
  strip: 'strip',
  'strip-lifting': 'strip#lifting',
  'strip-parts': 'strip#parts',
  'strip-corner': 'strip/:corner',
  measure: 'measure/:corner',
  decide: 'decide',
  correct: 'correct/:corner',
  rebuild: 'rebuild',
  'rebuild-corner': 'rebuild/:corner',
  torque: 'rebuild/:corner/torque',
  hydraulics: 'rebuild/hydraulics',
  pedal: 'rebuild/pedal',
  'wheel-turns': 'rebuild#turns',
  'first-stop': 'rebuild#first-stop',
  bedding: 'rebuild/bedding',
  prove: 'prove',
  'prove-corner': 'prove/:corner',
  'prove-road-test': 'prove/road-test',
  report: 'report',
} as const;

/** A place of a job: one of its pages, and the corner where the page is of one. */
export interface PageOfJob {
  readonly page: keyof typeof PAGES;
  readonly corner?: Corner | null | undefined;
}

/** Pages that are there without a corner too: the whole vehicle’s. */
const OF_VEHICLE: readonly PageOfJob['page'][] = ['correct'];

/** The address of a place of a job. */
export function jobHref(jobId: string, { page, corner }: PageOfJob): string {
  const of = corner ?? (OF_VEHICLE.includes(page) ? null : 'FL');
  return `/jobs/${jobId}/${PAGES[page].replace('/:corner', of === null ? '' : `/${of}`)}`;
}
