import 'server-only';
import { idSchema } from '../../core/contracts';
import { maySo } from '../../core/job';
import { endedCaseSchema, outcomeSchema, taskSchema, type Outcome } from '../../core/practice';
import {
  findPerson,
  findPracticeCase,
  listPeople,
  listPracticeCases,
  listPracticeTasks,
  savePracticeCase,
  savePracticeTask,
  takePracticeTaskBack,
  type PersonRow,
  type PracticeLine,
  type PracticeTaskLine,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';

/** Cases that a desk lists, at most. */
const MOST_LISTED = 500;

/** A case that was ended, as the shop keeps it. */
export interface KeptOutcome extends Outcome {
  readonly id: string;
  readonly personId: string;
}

/** A case that is set for somebody. */
export type Task = Pick<
  PracticeTaskLine,
  'id' | 'personId' | 'person' | 'code' | 'by' | 'note' | 'takenBackBy'
> & {
  /** When it was set, in ms. */
  readonly at: number;
  /** The case by which it is done; null while it is not. */
  readonly doneBy: string | null;
};

/** What the desk of practice shows of the shop to whoever is at the screen. */
export interface PracticeOfShop {
  /** Their own cases, the latest first. */
  readonly own: readonly KeptOutcome[];
  readonly tasks: readonly Task[];
  /** What a lead sees beside it: who works here, everybody’s cases, and what is set for them. */
  readonly shop: {
    readonly people: readonly Pick<PersonRow, 'id' | 'name'>[];
    readonly cases: readonly KeptOutcome[];
    readonly tasks: readonly Task[];
    /** There are more cases than are listed: the latest are. */
    readonly isCut: boolean;
  } | null;
}

/** A case is kept under the name of whoever is at the screen; who hands it in twice has it once. */
export async function keepCase(input: unknown, who: PersonRow | null): Promise<Answer<null>> {
  const parsed = endedCaseSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const db = await database();
  // Another program of the shop has a name and is nobody who practises.
  if (!who || !(await findPerson(db, who.id))) {
    return refuse('Say who you are first: what was practised is kept under a name.');
  }
  const { outcome, ...ended } = parsed.data;
  await savePracticeCase(db, {
    ...ended,
    personId: who.id,
    endedAt: new Date(outcome.at),
    outcome: { ...outcome, who: who.name },
  });
  return accept(null);
}

/** A lead sets a case for somebody who works here. */
export async function setTask(input: unknown, who: PersonRow | null): Promise<Answer<null>> {
  const parsed = taskSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const db = await database();
  const person = await findPerson(db, parsed.data.personId);
  if (!person) return refuse('Nobody of that name works here any more.', { personId: 'Choose.' });
  await savePracticeTask(db, { ...parsed.data, by: who?.name ?? '' });
  return accept(null);
}

/** Takes back a case that was set. */
export async function dropTask(id: string, who: PersonRow | null): Promise<Answer<null>> {
  const isThere = await takePracticeTaskBack(await database(), id, who?.name ?? '');
  return isThere ? accept(null) : refuse('This case is not set any more.');
}

const outcomeOf = ({ id, personId, outcome, person }: PracticeLine): KeptOutcome[] => {
  const read = outcomeSchema.safeParse(outcome);
  return read.success ? [{ ...read.data, who: person, id, personId }] : [];
};

const taskOf = ({ setAt, ...task }: PracticeTaskLine): Task => {
  const { id, personId, person, code, by, note, doneBy, takenBackBy } = task;
  return { id, personId, person, code, by, note, doneBy, takenBackBy, at: setAt.getTime() };
};

/** What the desk of practice shows of the shop. */
export async function practiceOfShop(who: PersonRow | null): Promise<PracticeOfShop> {
  if (!who) return { own: [], tasks: [], shop: null };
  const db = await database();
  const isLead = maySo(who.role, 'lead');
  const [cases, tasks, all] = await Promise.all([
    listPracticeCases(db, isLead ? null : who.id, MOST_LISTED),
    listPracticeTasks(db, isLead ? null : who.id),
    isLead ? listPeople(db) : [],
  ]);
  const read = { cases: cases.flatMap(outcomeOf), tasks: tasks.map(taskOf) };
  return {
    own: read.cases.filter(({ personId }) => personId === who.id),
    tasks: read.tasks.filter(
      ({ personId, doneBy, takenBackBy }) =>
        personId === who.id && doneBy === null && takenBackBy === null,
    ),
    shop: isLead
      ? {
          people: all.map(({ id, name }) => ({ id, name })),
          ...{ ...read, isCut: cases.length === MOST_LISTED },
        }
      : null,
  };
}

/** A case that was ended, as it is looked at afterwards. */
export interface LookedAt {
  readonly code: string;
  readonly person: string;
  readonly at: number;
  readonly steps: unknown;
}

/** A case of somebody, for themselves and for a lead; null for others, and where there is none. */
export async function lookAtCase(id: string, who: PersonRow | null): Promise<LookedAt | null> {
  if (!who || !idSchema.safeParse(id).success) return null;
  const found = await findPracticeCase(await database(), id);
  if (!found || !(found.personId === who.id || maySo(who.role, 'lead'))) return null;
  const { code, person, endedAt, steps } = found;
  return { code, person, at: endedAt.getTime(), steps };
}
