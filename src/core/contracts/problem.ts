import type { z } from 'zod';
import { ExpectedError } from '../expected';

/** Why an input was refused, in the form every way in answers with. */
export interface Problem {
  readonly code: string;
  readonly message: string;
  /** Where, like "laps[0][3]"; empty for the whole document. */
  readonly path: string;
}

/** An input that was refused: thrown and caught inside this room only. */
export class RefusedInput extends ExpectedError {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.message);
    this.problem = problem;
  }
}

/** A path as it is written in code, e.g. ["laps", 0, 3] as "laps[0][3]". */
export const writePath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>((written, step) => {
    if (typeof step === 'number') return `${written}[${step}]`;
    return written === '' ? String(step) : `${written}.${String(step)}`;
  }, '');

/** Of the ways in which a union failed, the one that came nearest: the fewest complaints. */
function nearestBranch(
  issue: Extract<z.core.$ZodIssue, { code: 'invalid_union' }>,
): z.core.$ZodIssue | undefined {
  const branches = issue.errors.filter((branch) => branch.length > 0);
  const known = branches.filter(
    (branch) => !branch.some(({ code }) => code === 'unrecognized_keys'),
  );
  const pool = known.length > 0 ? known : branches;
  return [...pool].sort((p, q) => p.length - q.length)[0]?.[0];
}

function wordsFor(issue: z.core.$ZodIssue, at: string): string {
  switch (issue.code) {
    case 'unrecognized_keys':
      return `Unknown ${issue.keys.length > 1 ? 'keys' : 'key'} ${issue.keys
        .slice(0, 5)
        .map((key) => `"${key.slice(0, 40)}"`)
        .join(', ')}${at ? ` in ${at}` : ''}. Remove it.`;
    case 'invalid_type':
      if (/received undefined$/.test(issue.message)) return `${at} is missing. Add it.`;
      return `${at || 'The document'} must be ${issue.expected}. ${issue.message}.`;
    default:
      return `${at || 'The document'}: ${issue.message}`;
  }
}

/** The first of Zod's complaints as a problem that names the field and what to do. */
export function problemOf(error: z.core.$ZodError): Problem {
  const issue = error.issues[0];
  if (!issue) return { code: 'invalid', message: 'The input was refused.', path: '' };
  const inner = issue.code === 'invalid_union' ? nearestBranch(issue) : undefined;
  const told = inner ? { ...inner, path: [...issue.path, ...inner.path] } : issue;
  const path = writePath(told.path);
  return { code: told.code, message: wordsFor(told, path), path };
}
