import { assessCorner } from '../assessment';
import { onceByContent } from '../remember';

/** Corners of several jobs that were judged lately, each with its phases. */
const MOST_ASSESSED = 128;

/** What the solvers say of a corner; the same sets and figures are solved once. */
export const assessed = onceByContent(assessCorner, MOST_ASSESSED);
