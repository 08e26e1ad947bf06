/**
 * How many random cases a test tries: all of them in a drill (`npm run drill -- trials`), the first few of the same
 * in every whole test, which has minutes and no hours.
 */
export const trials = (all: number, few: number): number =>
  process.env.TRIALS === 'all' ? all : few;
