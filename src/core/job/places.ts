import type { StageKey } from '../insights';
import type { Corner } from '../readings';

/** A page of a job, or a part of one, as the rules name it; addresses are the interface's. */
export type JobPage =
  | 'complaint'
  | 'road-test'
  | 'strip'
  | 'strip-lifting'
  | 'strip-parts'
  | 'strip-corner'
  | 'measure'
  | 'decide'
  | 'correct'
  | 'rebuild'
  | 'rebuild-corner'
  | 'torque'
  | 'hydraulics'
  | 'pedal'
  | 'wheel-turns'
  | 'first-stop'
  | 'bedding'
  | 'prove'
  | 'prove-corner'
  | 'prove-road-test'
  | 'report';

/** The stage of the trail that each page belongs to. */
export const STAGE_OF_PAGE: Readonly<Record<JobPage, StageKey>> = {
  complaint: 'complaint',
  'road-test': 'road-test',
  strip: 'strip',
  'strip-lifting': 'strip',
  'strip-parts': 'strip',
  'strip-corner': 'strip',
  measure: 'measure',
  decide: 'decide',
  correct: 'correct',
  rebuild: 'rebuild',
  'rebuild-corner': 'rebuild',
  torque: 'rebuild',
  hydraulics: 'rebuild',
  pedal: 'rebuild',
  'wheel-turns': 'rebuild',
  'first-stop': 'rebuild',
  bedding: 'rebuild',
  prove: 'prove',
  'prove-corner': 'prove',
  'prove-road-test': 'prove',
  report: 'report',
};

/** Where something of a job is done or put right. */
export interface JobPlace {
  readonly page: JobPage;
  /** The corner, for a page that is of one. */
  readonly corner?: Corner | undefined;
}

/** The one next thing to do: what, why, and where; no place where it is only to wait. */
export interface NextThing {
  readonly todo: string;
  readonly why: string;
  readonly place: JobPlace | null;
  readonly label: string;
}
