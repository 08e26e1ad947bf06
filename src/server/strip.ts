import 'server-only';
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import {
  checkFormSchema,
  PROCEDURE,
  readChoices,
  trayChangeSchema,
  trayPartSchema,
  idSchema,
  type CheckKind,
} from '../core/contracts';
import { lookAt, lookOfFinding, lookWithout, ownerOf, type Says } from '../core/procedure';
import { CORNERS, type Corner } from '../core/readings';
import {
  deleteCheck,
  deleteFinding,
  deleteTrayPart,
  fillChecks,
  findTrayPart,
  insertTrayPart,
  markTrayPart,
  readSetting,
  RULES_SETTING,
  takeChecksBack,
  updateTrayPart,
  writeCheck,
  writeSetting,
  type CheckRow,
  type JobFile,
  type TrayPartRow,
  type WrittenCheck,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { jobToWrite, refuseSigned } from './jobs';
import { refuseInRebuild } from './rebuildGuard';
import { cornerPlan, findCheck, looksOf, notDoneYet, otherSide, slipOfCut } from './procedure';

/** What became of a write: its new stamp, or what another wrote in its place meanwhile. */
export type CheckAnswer = Answer<
  | { readonly kept: true; readonly stamp: string | null }
  | { readonly kept: false; readonly theirs: CheckRow | null }
>;

/** Kinds that are worth nothing without a name under them. */
const NAMED: readonly CheckKind[] = [
  ...(['lifting', 'waiting', 'rule', 'fixed', 'correct'] as const),
  ...(['torque', 'hydraulics', 'pedal'] as const),
];

/** Writes one item of the procedure, or takes it back; tells of what another wrote meanwhile. */
export async function recordCheck(input: unknown, by: string | null): Promise<CheckAnswer> {
  const parsed = checkFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, kind, place, item, value, note, seen } = parsed.data;
  if (by === null && NAMED.includes(kind)) {
    return refuse('Say who you are first: choose your name at “Who is here”.');
  }
  const writable = await jobToWrite(jobId);
  if (!writable.ok) return writable;
  const file = writable.value;
  const corner = CORNERS.find((each) => each === place);
  // A system is bled at every corner, whichever of them the job is about.
  if (corner && kind !== 'hydraulics' && !file.corners.includes(corner)) {
    return refuse('This corner is not part of the job.');
  }
  if (kind === 'correct' && item === 'done' && value !== null && corner) {
    const open = notDoneYet(file, corner);
    if (open !== null) return refuse(open);
  }
  const refusal = refuseInRebuild(file, { kind, place, item, value });
  if (refusal !== null) return refuse(refusal);
  const slip = kind === 'correct' && corner ? slipOfCut(file, corner, value) : null;
  if (slip !== null) return refuse(slip);
  const change = value === null ? null : { value, note, by };
  const db = await database();
  const written = await writeCheck(db, { jobId, kind, place, item }, change, seen);
  if (written.done && kind === 'look') await afterLook(file, place, item, value);
  if (written.done && kind === 'pedal' && item === 'held' && value === null) {
    // A pedal that is tried again is pumped and held anew.
    for (const again of ['firm', 'hold']) {
      await deleteCheck(db, { jobId, kind, place, item: again });
    }
  }
  return accept(
    written.done ? { kept: true, stamp: written.stamp } : { kept: false, theirs: written.theirs },
  );
}

/**
 * After a look was written: answers from before there were looks are taken away, since the
 * item says it itself now; and where it says something else than before, what was put right
 * was put right of what was found then.
 */
async function afterLook(
  file: JobFile,
  place: string,
  item: string,
  found: unknown,
): Promise<void> {
  const db = await database();
  const told = file.findings.filter(
    ({ code, value, corner }) =>
      corner === place && lookOfFinding(PROCEDURE, { code, value })?.item === item,
  );
  for (const finding of told) await deleteFinding(db, finding);
  const before = findCheck(file, 'look', place, item)?.value ?? null;
  if (isDeepStrictEqual(before, found)) return;
  await deleteCheck(db, { jobId: file.job.id, kind: 'fixed', place, item });
}

/** Writes every item of a corner that was not looked at as looked at and sound; says which. */
export async function allSound(
  jobId: string,
  place: string,
  by: string | null,
): Promise<Answer<WrittenCheck[]>> {
  const writable = await jobToWrite(jobId);
  if (!writable.ok) return writable;
  const file = writable.value;
  const corner = CORNERS.find((each) => each === place);
  const plan = corner ? cornerPlan(file, corner) : null;
  if (!plan) return refuse('This corner is not part of the job.');
  const seen = looksOf(file).filter((look) => look.corner === corner);
  const rows = plan.items
    .filter(({ code }) => !seen.some(({ item }) => item === code))
    .map(({ code }) => ({
      jobId,
      kind: 'look' as const,
      place,
      item: code,
      value: [],
      note: null,
      by,
    }));
  return accept(await fillChecks(await database(), rows));
}

const stampsSchema = z.array(z.uuid()).max(100);

/** Takes back what was written as sound in one go; what was changed since stays. */
export async function takeSoundBack(jobId: string, stamps: unknown): Promise<Answer<number>> {
  const parsed = stampsSchema.safeParse(stamps);
  if (!parsed.success) return refuseParse(parsed.error);
  const writable = await jobToWrite(jobId);
  if (!writable.ok) return writable;
  return accept(await takeChecksBack(await database(), jobId, parsed.data));
}

/**
 * Copies a corner\u2019s plan to the other side of its axle: steps left out and the way pistons are
 * pushed back; never what was done or found. What stands there already stays.
 */
export async function copyPlan(
  jobId: string,
  place: string,
  by: string | null,
): Promise<Answer<number>> {
  const writable = await jobToWrite(jobId);
  if (!writable.ok) return writable;
  const file = writable.value;
  const corner = CORNERS.find((each) => each === place);
  const other = corner && otherSide(corner);
  if (!other || !file.corners.includes(corner) || !file.corners.includes(other)) {
    return refuse('The other side is not part of the job.');
  }
  const plan = file.checks.filter(
    (check) =>
      check.place === corner &&
      (check.kind === 'method' || (check.kind === 'step' && check.value === 'left-out')),
  );
  const rows = plan.map(({ kind, item, value, note }) => ({
    jobId,
    kind,
    place: other,
    item,
    value,
    note,
    by,
  }));
  const written = await fillChecks(await database(), rows);
  return accept(written.length);
}

/** Writes a look over what stands, for an answer that the nose was given. */
async function writeLook(
  file: JobFile,
  corner: Corner,
  item: string,
  found: readonly string[] | null,
): Promise<void> {
  const key = { jobId: file.job.id, kind: 'look' as const, place: corner, item };
  const seen = findCheck(file, 'look', corner, item)?.stamp ?? null;
  const change = found && { value: found, note: null, by: null };
  await writeCheck(await database(), key, change, seen);
  await afterLook(file, corner, item, found);
}

/** Writes what the nose was answered as the look that it is; other looks stay as they are. */
export async function recordLook(file: JobFile, corner: Corner, says: Says): Promise<void> {
  const look = lookOfFinding(PROCEDURE, says);
  if (!look) return;
  const there = lookAt(looksOf(file), corner, look.item);
  const rest = there ? (lookWithout(PROCEDURE, there, { code: says.code })?.found ?? []) : [];
  await writeLook(file, corner, look.item, [...new Set([...rest, ...look.found])]);
}

/**
 * Takes back what looks say of a check: the one answer named, wherever it was found; without
 * a name only what the item says that is this check.
 */
export async function takeLookBack(
  file: JobFile,
  corner: Corner,
  check: { readonly code: string; readonly value?: string | undefined },
): Promise<void> {
  const owner = ownerOf(PROCEDURE, check.code)?.code;
  for (const old of looksOf(file).filter((each) => each.corner === corner)) {
    if (check.value === undefined && old.item !== owner) continue;
    const kept = lookWithout(PROCEDURE, old, check);
    if (kept !== old) await writeLook(file, corner, old.item, kept && kept.found);
  }
}

/** Puts a part in the tray. */
export async function takeOffPart(input: unknown, by: string | null): Promise<Answer<TrayPartRow>> {
  const parsed = trayPartSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const file = await jobToWrite(parsed.data.jobId);
  if (!file.ok) return file;
  if (!file.value.corners.includes(parsed.data.corner)) {
    return refuse('This corner is not part of the job.');
  }
  return accept(await insertTrayPart(await database(), { ...parsed.data, by }));
}

/** What became of a change of a part: kept, or how the part stands now instead. */
export type TrayAnswer = Answer<{ readonly kept: boolean; readonly part: TrayPartRow }>;

const NOT_IN_TRAY = 'This part is not in the tray any more.';

/** Why a part cannot be written any more: its job is signed off; null while it can. */
async function refuseSignedPart(partId: string): Promise<Answer<never> | null> {
  const part = await findTrayPart(await database(), partId);
  return part && refuseSigned(part.jobId);
}

/** Changes lines of a part in the tray; tells of what another wrote there meanwhile. */
export async function changePart(input: unknown): Promise<TrayAnswer> {
  const parsed = trayChangeSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { partId, was, change } = parsed.data;
  const db = await database();
  const shut = await refuseSignedPart(partId);
  if (shut) return shut;
  const row = await updateTrayPart(db, partId, was, change);
  if (row) return accept({ kept: true, part: row });
  const theirs = await findTrayPart(db, partId);
  return theirs ? accept({ kept: false, part: theirs }) : refuse(NOT_IN_TRAY);
}

/** Marks a part, or what replaces it, as back on, or as off again: the rebuild empties the tray. */
export async function putBack(
  partId: string,
  isBack: boolean,
  by: string | null,
): Promise<Answer<TrayPartRow>> {
  if (!idSchema.safeParse(partId).success) return refuse(NOT_IN_TRAY);
  const db = await database();
  const shut = await refuseSignedPart(partId);
  if (shut) return shut;
  const back = isBack ? { backAt: new Date(), backBy: by } : { backAt: null, backBy: null };
  const row = (await markTrayPart(db, partId, back)) ?? (await findTrayPart(db, partId));
  return row ? accept(row) : refuse(NOT_IN_TRAY);
}

/** Takes a part out as if it had never been put there. */
export async function dropPart(partId: string): Promise<Answer<string>> {
  if (!idSchema.safeParse(partId).success) return refuse('This part is not on file.');
  const shut = await refuseSignedPart(partId);
  if (shut) return shut;
  await deleteTrayPart(await database(), partId);
  return accept(partId);
}

/** The shop\u2019s choices of house rules. */
export const shopChoices = async (): Promise<ReturnType<typeof readChoices>> =>
  readChoices(await readSetting(await database(), RULES_SETTING));

/** Chooses a school for a house rule of the shop; null goes back to what is shipped. */
export async function chooseRule(rule: string, school: string | null): Promise<Answer<string>> {
  const found = PROCEDURE.rules.find(({ code }) => code === rule);
  if (!found) return refuse('There is no such rule.');
  if (school !== null && !found.schools.some(({ code }) => code === school)) {
    return refuse('This is no school of that rule.');
  }
  const { [rule]: _, ...others } = await shopChoices();
  await writeSetting(
    await database(),
    RULES_SETTING,
    school === null ? others : { ...others, [rule]: school },
  );
  return accept(rule);
}
