import { z } from 'zod';
import { problemOf, RefusedInput, type Problem } from './problem';

/** A solver as every way in sees it: a name, what goes in, what comes out. */
export interface Solver {
  readonly name: string;
  readonly summary: string;
  readonly input: z.ZodType;
  readonly output: z.ZodType;
  readonly run: (json: unknown) => Solved;
}

export type Solved =
  | { readonly ok: true; readonly result: unknown }
  | { readonly ok: false; readonly problem: Problem };

interface Definition<Raw, Out> {
  readonly name: string;
  readonly summary: string;
  readonly input: z.ZodType<Raw>;
  readonly output: z.ZodType<Out>;
  /** Reads the parsed document, solves, and writes the answer; may throw RefusedInput. */
  readonly solve: (raw: Raw) => Out;
}

/** Makes a solver of a definition: parsing before it, problems as values after it. */
export function defineSolver<Raw, Out>(definition: Definition<Raw, Out>): Solver {
  const run = (json: unknown): Solved => {
    const parsed = definition.input.safeParse(json);
    if (!parsed.success) return { ok: false, problem: problemOf(parsed.error) };
    try {
      return { ok: true, result: definition.solve(parsed.data) };
    } catch (error) {
      if (error instanceof RefusedInput) return { ok: false, problem: error.problem };
      throw error;
    }
  };
  const { name, summary, input, output } = definition;
  return { name, summary, input, output, run };
}
