'use client';

import { useMemo, useSyncExternalStore } from 'react';
import { z } from 'zod';
import {
  BENCH_FAULTS,
  readCode,
  SOURCES,
  WAYS,
  type BenchAction,
  type FindAction,
  type FindResult,
  type CaseResult,
} from '@/core/practice';
import {
  allPractice,
  keepWrite,
  practiceTime,
  practiceWrites,
  watchPractice,
  type PracticeWrite,
} from '@/ui/keeper';

const faultSchema = z.enum(BENCH_FAULTS);
const actionSchema = z.object({ kind: z.enum(['look', 'remedy']), fault: faultSchema });
const sourceSchema = z.enum(SOURCES).nullable().default(null);
const waySchema = z.enum(WAYS).nullable().default(null);
const causeSchema = z.string().nullable().default(null);
const outcomeSchema = z.object({
  code: z.string(),
  /** When it was ended, in ms. */
  at: z.number(),
  who: z.string().nullable(),
  isRight: z.boolean(),
  isHarm: z.boolean(),
  minutes: z.number(),
  best: z.number(),
  missed: z.array(faultSchema),
  /** Root mean square of the readings’ errors in µm; null where nothing was read. */
  errorUm: z.number().nullable(),
  /** Where runout was said to come from, and where it comes from; null where that was not asked. */
  said: sourceSchema,
  source: sourceSchema,
  /** What was decided, and what would have been best; null where that was not asked. */
  way: waySchema,
  bestWay: waySchema,
  /** What a car was first taken for, and its fault, by the codes of their causes; null where that was not asked. */
  saidCause: causeSchema,
  cause: causeSchema,
});

/** What came of a case, as it is kept. */
export type Outcome = z.infer<typeof outcomeSchema>;

const findSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('check'), code: z.string() }),
  z.object({ kind: z.literal('repair'), code: z.string() }),
  z.object({ kind: z.literal('pedal') }),
  z.object({ kind: z.literal('drive') }),
  z.object({ kind: z.literal('nose'), how: z.enum(['once', 'on']) }),
  z.object({ kind: z.literal('back') }),
]);

const ACTION = 'practice-action';
const FIND = 'practice-find';
const DONE = 'practice-done';

const taken = <Kept>(
  writes: readonly PracticeWrite[],
  name: string,
  schema: z.ZodType<Kept>,
): Kept[] =>
  writes.flatMap((write) => {
    const read = write.name === name ? schema.safeParse(write.input) : null;
    return read?.success ? [read.data] : [];
  });

/** What was looked at and put right at the bench, in order, each once. */
export const actionsOf = (writes: readonly PracticeWrite[]): BenchAction[] =>
  taken(writes, ACTION, actionSchema).filter(
    ({ kind, fault }, i, all) =>
      all.findIndex((each) => each.kind === kind && each.fault === fault) === i,
  );

/** What was done at a whole car, in order. */
export const findActionsOf = (writes: readonly PracticeWrite[]): FindAction[] =>
  taken(writes, FIND, findSchema);

/** How it ended; null while it is worked on. */
export const outcomeOf = (writes: readonly PracticeWrite[]): Outcome | null =>
  taken(writes, DONE, outcomeSchema).at(-1) ?? null;

/** A turn that is swept takes as long as reading two places. */
const AS_READINGS: Readonly<Record<string, number>> = { reading: 1, 'set-sweep': 2 };

/** How many readings were taken, those that were taken again too; a sweep by the time that it takes. */
export const readingsOf = (writes: readonly PracticeWrite[]): number =>
  writes.reduce((sum, { name }) => sum + (AS_READINGS[name] ?? 0), 0);

/** Looks at something of the bench, or puts it right. */
export const writeAction = (id: string, action: BenchAction) =>
  keepWrite({
    name: ACTION,
    input: action,
    place: `${id} ${action.kind} ${action.fault}`,
    jobId: id,
    about: 'practice: the bench',
    refresh: 'by-writer',
  });

/** Does something at a whole car; `at` counts what was done before it. */
export const writeFindAction = (id: string, action: FindAction, at: number) =>
  keepWrite({
    ...{ name: FIND, input: action, place: `${id} find ${at}`, jobId: id },
    ...{ about: 'practice: a car', refresh: 'by-writer' },
  });

const keepOutcome = (id: string, outcome: Outcome) =>
  keepWrite({
    ...{ name: DONE, input: outcome, place: `${id} done`, jobId: id },
    ...{ about: 'practice: a case', refresh: 'by-writer' },
  });

const NOT_ASKED = { said: null, source: null, way: null, bestWay: null } as const;

/** Ends a case: from now on its truth is shown. */
export function writeOutcome(id: string, code: string, who: string | null, result: CaseResult) {
  const { isRight, minutes, best, missed, errorUm } = result;
  return keepOutcome(id, {
    ...{ code, who, at: Date.now(), isRight, minutes, best, missed: [...missed], errorUm },
    ...NOT_ASKED,
    isHarm: result.level === 'read' ? result.harm !== null : result.isHarm,
    ...(result.level === 'apart' && { said: result.said, source: result.source }),
    ...(result.level === 'decide' && {
      way: result.chosen?.way ?? null,
      bestWay: result.bestWay.way,
    }),
    ...{ saidCause: null, cause: null },
  });
}

/** Ends a whole car: from now on its fault is shown. */
export function writeFindOutcome(
  id: string,
  code: string,
  who: string | null,
  { isRight, isHarm, minutes, best, said, fault }: FindResult,
) {
  return keepOutcome(id, {
    ...{ code, who, at: Date.now(), isRight, isHarm, minutes, best, missed: [], errorUm: null },
    ...NOT_ASKED,
    ...{ saidCause: said?.code ?? null, cause: fault.code },
  });
}

const empty = (): string => '[]';

/** Which time a case is worked on this device. */
export const useTime = (code: string): number =>
  useSyncExternalStore(
    watchPractice,
    () => practiceTime(code),
    () => 1,
  );

/** What came of every case that was ended on this device, the latest first. */
export function useOutcomes(): readonly Outcome[] {
  const text = useSyncExternalStore(watchPractice, allPractice, empty);
  return useMemo(() => {
    // What `allPractice` wrote.
    const texts = JSON.parse(text) as readonly string[];
    return texts
      .flatMap((each) => outcomeOf(practiceWrites(each)) ?? [])
      .filter(({ code }) => readCode(code) !== null)
      .sort((a, b) => b.at - a.at);
  }, [text]);
}
