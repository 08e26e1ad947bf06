'use client';

import { useMemo, useSyncExternalStore } from 'react';
import { z } from 'zod';
import { ACTION_CODES } from '@/core/options';
import type { WrittenOtherwise } from '@/core/practiceJob';
import {
  BENCH_FAULTS,
  DONE,
  GAUGED,
  outcomeIn,
  readCode,
  type BenchAction,
  type FindAction,
  type FindCase,
  type FindResult,
  type CaseResult,
  type Outcome,
  type ReplayAction,
} from '@/core/practice';
import {
  allPractice,
  keepWrite,
  practiceText,
  practiceTime,
  practiceWrites,
  watchPractice,
  type PracticeWrite,
} from '@/ui/keeper';

export const actionSchema = z.object({
  kind: z.enum(['look', 'remedy']),
  fault: z.enum(BENCH_FAULTS),
});

const READ = z.array(z.object({ code: z.enum(GAUGED), value: z.union([z.string(), z.number()]) }));

const findSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('check'), code: z.string() }),
  z.object({
    kind: z.literal('read'),
    found: READ,
  }),
  z.object({ kind: z.literal('reread'), found: READ }),
  z.object({ kind: z.literal('repair'), code: z.string() }),
  z.object({
    kind: z.literal('decide'),
    action: z.enum(ACTION_CODES),
    isRight: z.boolean(),
  }),
  z.object({ kind: z.literal('pedal') }),
  z.object({ kind: z.literal('drive') }),
  z.object({ kind: z.literal('nose'), how: z.enum(['once', 'on']) }),
  z.object({ kind: z.literal('back') }),
]);

const replaySchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('check'), code: z.string() }),
  z.object({ kind: z.literal('set'), id: z.string(), readings: z.number() }),
  z.object({ kind: z.literal('answer'), code: z.string() }),
]);

const ACTION = 'practice-action';
const REPLAY = 'practice-replay';
const FIND = 'practice-find';
const STAGES = 'practice-stages';

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

/** What was written since something was put right last; all of it where nothing was. */
export const sinceRepair = (writes: readonly PracticeWrite[]): readonly PracticeWrite[] =>
  writes.slice(
    1 +
      writes.findLastIndex(
        ({ name, input }) => name === FIND && findSchema.safeParse(input).data?.kind === 'repair',
      ),
  );

/** What was done in a job that is worked again, in order. */
export const replayActionsOf = (writes: readonly PracticeWrite[]): ReplayAction[] =>
  taken(writes, REPLAY, replaySchema);

/** Writes that are readings: a turn that is swept takes as long as reading two places. */
export const AS_READINGS: Readonly<Record<string, number>> = { reading: 1, 'set-sweep': 2 };

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

/** Does something in a job that is worked again; `at` counts what was done before it. */
export const writeReplayAction = (id: string, action: ReplayAction, at: number) =>
  keepWrite({
    ...{ name: REPLAY, input: action, place: `${id} replay ${at}`, jobId: id },
    ...{ about: 'practice: a job worked again', refresh: 'by-writer' },
  });

/** Who works a case: under their name it is kept for the shop too. */
export interface Worker {
  readonly id: string;
  readonly name: string;
}

/**
 * Ends a case on this device, and hands it in under the name of whoever worked it, with everything that was done in it.
 * Where nobody said who is here it stays on the device.
 */
async function keepOutcome(id: string, who: Worker | null, outcome: Omit<Outcome, 'who'>) {
  const named: Outcome = { ...outcome, who: who?.name ?? null };
  await keepWrite({
    ...{ name: DONE, input: named, place: `${id} done`, jobId: id },
    ...{ about: 'practice: a case', refresh: 'by-writer' },
  });
  if (!who) return;
  const steps = practiceWrites(practiceText(id));
  await keepWrite({
    name: 'practice-case',
    input: { id: crypto.randomUUID(), code: named.code, steps },
    place: `practice-case ${id}`,
    ...{ jobId: null, refresh: 'later', about: `practice: what came of ${named.code}` },
  });
}

const NOT_ASKED = { said: null, source: null, way: null, bestWay: null } as const;

/** Ends a case: from now on its truth is shown. */
export function writeOutcome(id: string, code: string, who: Worker | null, result: CaseResult) {
  const { isRight, minutes, best, missed, errorUm } = result;
  return keepOutcome(id, who, {
    ...{ code, at: Date.now(), isRight, minutes, best, missed: [...missed], errorUm },
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

/** What came of a whole car. */
const findOutcome = (
  code: string,
  { isRight, isHarm, minutes, best, said, fault }: FindResult,
): Omit<Outcome, 'who'> => ({
  ...{ code, at: Date.now(), isRight, isHarm, minutes, best, missed: [], errorUm: null },
  ...NOT_ASKED,
  ...{ saidCause: said?.code ?? null, cause: fault.code },
});

/** Ends a whole car: from now on its fault is shown. */
export const writeFindOutcome = (
  id: string,
  code: string,
  who: Worker | null,
  result: FindResult,
) => keepOutcome(id, who, findOutcome(code, result));

/** A car’s result with what its job was signed with, where it was: that is what it was taken for. */
export const withSaid = (
  { knowledge }: Pick<FindCase, 'knowledge'>,
  result: FindResult,
  saidCode: string | null,
): FindResult => ({
  ...result,
  said: knowledge.causes.find(({ code }) => code === saidCode) ?? result.said,
});

/** What the job of a car on the stages tells beside what was done in it. */
const leftSchema = z.object({
  /** What its corner shows after what was done there, as shares of the limits. */
  left: z.object({
    runout: z.number(),
    hub: z.number(),
    rotor: z.number(),
    variation: z.number(),
  }),
  otherwise: z.array(z.object({ code: z.string(), written: z.string() })),
  saidCode: z.string().nullable(),
});
export type StagesLeft = z.output<typeof leftSchema>;

/** The same of a car that was handed in; null of one that was worked in a room of its own. */
export const stagesIn = (writes: readonly PracticeWrite[]): StagesLeft | null =>
  taken(writes, STAGES, leftSchema).at(-1) ?? null;

/** Hands a car in that was worked on the stages of a job, under the name of whoever worked it. */
export function handInStages(
  id: string,
  code: string,
  who: Worker,
  ended: {
    readonly actions: readonly FindAction[];
    readonly result: FindResult;
    readonly left: StagesLeft['left'];
    readonly otherwise: readonly WrittenOtherwise[];
  },
) {
  const { actions, result, left, otherwise } = ended;
  const saidCode = result.said?.code ?? null;
  const done: Outcome = { ...findOutcome(code, result), who: who.name };
  const steps = [
    ...actions.map((input, i) => ({ id: `${id} ${i}`, name: FIND, input })),
    { id: `${id} stages`, name: STAGES, input: { left, otherwise, saidCode } },
    { id: `${id} done`, name: DONE, input: done },
  ];
  return keepWrite({
    name: 'practice-case',
    input: { id, code, steps },
    place: `practice-case ${id}`,
    ...{ jobId: null, refresh: 'later', about: `practice: what came of ${code}` },
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
      .flatMap((each) => outcomeIn(practiceWrites(each)) ?? [])
      .filter(({ code }) => readCode(code) !== null)
      .sort((a, b) => b.at - a.at);
  }, [text]);
}
