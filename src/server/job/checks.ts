import 'server-only';
import { isDeepStrictEqual } from 'node:util';
import { isWheelFigure } from '../../core/wheels';
import {
  checkFormSchema,
  type CheckFormData,
  definitionOf,
  KNOWLEDGE,
  PROCEDURE,
  readCheckEntry,
  type CheckEntry,
} from '../../core/contracts';
import {
  drumItems,
  fixedWith,
  findCheck,
  type Job,
  isOfOldRotor,
  looksOf,
  notDoneYet,
  refuseAsFound,
  refuseBeyondAgreed,
  refuseDrumDecided,
  refuseDrumDone,
  beginsWork,
  refuseRepair,
  refuseRepaired,
  refuseInRebuild,
  refusePutRight,
  settledLooks,
  sourceRepairs,
  slipOfCut,
} from '../../core/job';
import { lookAt, lookOfFinding, lookWithout, ownerOf, type Says } from '../../core/procedure';
import { CORNERS, type Corner } from '../../core/readings';
import type { Database } from '../../db/client';
import {
  deleteCheck,
  deleteFinding,
  sayToLedger,
  writeCheck,
  type CheckRow,
  type Who,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { noteLook } from './freshLooks';
import { beginHold, secondsHeld } from './holdClock';
import { refuseByNose, refuseTakingBack } from './takingBack';
import { withJob } from './withJob';

/** What became of a write: its new stamp, or what another wrote in its place meanwhile. */
export type Kept =
  | { readonly kept: true; readonly stamp: string | null }
  | { readonly kept: false; readonly theirs: CheckRow | null };
export type CheckAnswer = Answer<Kept>;

const WHO = 'Say who you are first: choose your name at “Who is here”.';

/** Why a check cannot be written as the job stands, in words; null where it can. */
function refuseCheck(job: Job, write: CheckEntry): string | null {
  const corner = CORNERS.find((each) => each === write.place);
  if (write.kind === 'correct' && corner) {
    const open = write.item === 'done' ? notDoneYet(job, corner) : null;
    if (open !== null) return open;
    const isFigure = write.item === 'finished' || write.item === 'returned';
    const slip = isFigure ? slipOfCut(job, corner, write.value) : null;
    if (slip !== null) return slip;
  }
  if (write.kind === 'step' && corner && write.item === 'as-found' && write.value === 'done') {
    const unread = refuseAsFound(job, corner);
    if (unread !== null) return unread;
  }
  if (beginsWork(write)) {
    const beyond = refuseBeyondAgreed(job);
    if (beyond !== null) return beyond;
  }
  if (write.kind === 'drum' && corner) {
    return write.item === 'decided'
      ? refuseDrumDecided(job, corner, write.value)
      : refuseDrumDone(job, corner);
  }
  if (write.kind === 'repair') return refuseRepair(job, write);
  if (write.kind === 'repaired') return refuseRepaired(job, write.place, write.item);
  if (write.kind === 'fixed' && corner) {
    const look = lookAt(looksOf(job), corner, write.item);
    const early = refusePutRight(look, look !== undefined && isOfOldRotor(job, look));
    if (early !== null) return early;
  }
  return refuseInRebuild(job, write, secondsHeld(job));
}

/** Why something cannot be taken back while something else rests on it; null where it can. */
function refuseUndoing(job: Job, { kind, place, item }: CheckFormData): string | null {
  if (kind === 'repair') return refuseRepair(job, { place, item, value: null });
  const corner = CORNERS.find((each) => each === place);
  return kind === 'drum' && item === 'decided' && corner
    ? refuseDrumDecided(job, corner, null)
    : null;
}

/**
 * Writes one item of the procedure, or takes it back; tells of what another wrote meanwhile.
 * `own` is the stamp of what the same device wrote there last: it has that in front of it too.
 */
export async function recordCheck(
  input: unknown,
  who: Who | null,
  own?: string | null,
): Promise<CheckAnswer> {
  const parsed = checkFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, kind, place, item, value, note, seen } = parsed.data;
  const by = who?.name ?? null;
  if (by === null && definitionOf(kind, place, item)?.isNamed) return refuse(WHO);
  return withJob<Kept>(jobId, async (tx, job) => {
    const corner = CORNERS.find((each) => each === place);
    // A system is bled, and a wheel held against the others, whichever corners the job is about.
    const isOfAnyWheel = kind === 'hydraulics' || isWheelFigure(kind, item);
    if (corner && !isOfAnyWheel && !job.corners.includes(corner)) {
      return refuse('This corner is not part of the job.');
    }
    const write = value === null ? null : readCheckEntry(kind, place, item, value);
    const stands = findCheck(job, kind, place, item)?.stamp ?? null;
    const known = own !== undefined && stands === own ? own : seen;
    // What another wrote meanwhile is shown first; why it is taken back is asked after that.
    const back = known === stands ? refuseTakingBack(job, parsed.data, who) : null;
    if (back) return back;
    const why = write ? refuseCheck(job, write) : refuseUndoing(job, parsed.data);
    if (why !== null) return refuse(why);
    if (note !== null) await sayToLedger(tx, { reason: note });
    const change = write && { value: write.value, note, by };
    const written = await writeCheck(tx, { jobId, kind, place, item }, change, known);
    if (!written.done) return accept({ kept: false, theirs: written.theirs });
    if (kind === 'pedal' && item === 'hold' && written.stamp) beginHold(written.stamp);
    if (write?.kind === 'drum' && write.item === 'decided') await afterDrum(tx, job, write);
    if (kind === 'repaired') await afterRepaired(tx, job, { place, item }, change);
    if (kind === 'look') await afterLook(tx, job, { place, item }, { ...written, ...change });
    if (kind === 'pedal' && item === 'held' && value === null) {
      // A pedal that is tried again is pumped and held anew.
      for (const again of ['firm', 'hold']) {
        await deleteCheck(tx, { jobId, kind, place, item: again });
      }
    }
    return accept({ kept: true, stamp: written.stamp });
  });
}

/**
 * After a drum was decided otherwise: what was measured after the work before is none of this one, and
 * is read again.
 */
async function afterDrum(
  tx: Database,
  job: Job,
  { place, value }: Extract<CheckEntry, { kind: 'drum'; item: 'decided' }>,
): Promise<void> {
  const before = findCheck(job, 'drum', place, 'decided')?.value.work;
  if (before === undefined || before === value.work) return;
  for (const item of drumItems('after')) {
    await deleteCheck(tx, { jobId: job.id, kind: 'figure', place, item });
  }
}

/**
 * After a source was put right, what was seen of it is put right in the same words; taken back, that
 * is taken back with it.
 */
async function afterRepaired(
  tx: Database,
  job: Job,
  { place, item }: { readonly place: string; readonly item: string },
  change: { readonly note: string | null; readonly by: string | null } | null,
): Promise<void> {
  const cause = KNOWLEDGE.causes.find(({ code }) => code === item);
  if (!cause) return;
  const key = { jobId: job.id, kind: 'fixed' as const };
  if (change) {
    const { note, by } = change;
    for (const look of settledLooks(job, cause, place)) {
      const at = { ...key, place: look.corner, item: look.item };
      await writeCheck(tx, at, { note, by, value: 'fixed' }, null);
    }
    return;
  }
  const repair = sourceRepairs(job).find(
    (each) => each.cause.code === item && each.place === place,
  );
  for (const fixed of repair ? fixedWith(job, repair) : []) {
    await deleteCheck(tx, { ...key, place: fixed.place, item: fixed.item });
  }
}

/**
 * After a look was written: answers from before there were looks are taken away, since the
 * item says it itself now; and where it says something else than before, what was put right
 * was put right of what was found then.
 */
async function afterLook(
  tx: Database,
  job: Job,
  { place, item }: { readonly place: string; readonly item: string },
  written: {
    readonly stamp: string | null;
    readonly value?: unknown;
    readonly by?: string | null;
  },
): Promise<void> {
  const told = job.findings.filter(
    ({ code, value, corner }) =>
      corner === place && lookOfFinding(PROCEDURE, { code, value })?.item === item,
  );
  for (const finding of told) await deleteFinding(tx, { jobId: job.id, ...finding });
  const before = findCheck(job, 'look', place, item);
  const { stamp, by = null } = written;
  const found = Array.isArray(written.value) ? written.value.map(String) : null;
  if (stamp !== null && found) noteLook({ stamp, found, by }, before);
  if (isDeepStrictEqual(before?.value ?? null, found)) return;
  await deleteCheck(tx, { jobId: job.id, kind: 'fixed', place, item });
}

/** Writes a look over what stands, for an answer that the nose was given; answers with why not where it may not. */
async function writeLook(
  tx: Database,
  job: Job,
  corner: Corner,
  item: string,
  found: readonly string[] | null,
): Promise<string | null> {
  const why = refuseByNose(job, { place: corner, item, value: found });
  if (why !== null) return why;
  const stands = findCheck(job, 'look', corner, item);
  const key = { jobId: job.id, kind: 'look' as const, place: corner, item };
  const change = found && { value: found, note: null, by: null };
  const written = await writeCheck(tx, key, change, stands?.stamp ?? null);
  if (written.done) await afterLook(tx, job, key, { ...written, ...change });
  return null;
}

/** Writes what the nose was answered as the look that it is, or says why not; others stay. */
export async function recordLook(
  tx: Database,
  job: Job,
  corner: Corner,
  says: Says,
): Promise<string | null> {
  const look = lookOfFinding(PROCEDURE, says);
  if (!look) return null;
  const there = lookAt(looksOf(job), corner, look.item);
  const rest = there ? (lookWithout(PROCEDURE, there, { code: says.code })?.found ?? []) : [];
  return writeLook(tx, job, corner, look.item, [...new Set([...rest, ...look.found])]);
}

/**
 * Takes back what looks say of a check: the one answer named, wherever it was found; without
 * a name only what the item says that is this check. Says why not where it may not be.
 */
export async function takeLookBack(
  tx: Database,
  job: Job,
  corner: Corner,
  check: { readonly code: string; readonly value?: string | undefined },
): Promise<string | null> {
  const owner = ownerOf(PROCEDURE, check.code)?.code;
  for (const old of looksOf(job).filter((each) => each.corner === corner)) {
    if (check.value === undefined && old.item !== owner) continue;
    const kept = lookWithout(PROCEDURE, old, check);
    const why =
      kept === old ? null : await writeLook(tx, job, corner, old.item, kept && kept.found);
    if (why !== null) return why;
  }
  return null;
}
