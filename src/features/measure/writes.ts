import type {
  FasteningForm,
  ImportSets,
  LimitForm,
  NewSet,
  SetDetails,
  SweptLapForm,
  TypedReading,
} from '@/core/contracts';
import type { SweepRecord } from '@/core/assessment';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const setPlace = (setId: string): string => `set ${setId}`;

/** The place of a reading among everything that can be written. */
export const readingPlace = ({
  setId,
  lap,
  position,
}: Pick<TypedReading, 'setId' | 'lap' | 'position'>): string =>
  `reading ${setId} ${lap} ${position}`;

/** Begins a reading set under an id of this device. */
export const writeSet = (set: NewSet & { readonly id: string }): Promise<KeptAnswer<unknown>> =>
  keepWrite({
    name: 'set-begin',
    input: set,
    place: `set-begin ${set.id}`,
    jobId: set.jobId,
    about: `${set.corner}: a new set of ${set.kind}`,
    refresh: 'later',
  });

/** Writes one reading as typed, or takes it back. */
export const writeReading = (
  jobId: string,
  reading: TypedReading,
  isLast: boolean,
): Promise<KeptAnswer<unknown>> =>
  keepWrite({
    name: 'reading',
    input: reading,
    place: readingPlace(reading),
    jobId,
    about: `reading at position ${reading.position + 1}, lap ${reading.lap + 1}: ${reading.text ?? 'taken back'}`,
    // The last reading of a set changes what the rest of the job says.
    ...(isLast ? {} : { refresh: 'later' as const }),
  });

/** Adds a lap to a set that has so many. */
export const writeLap = (jobId: string, setId: string, has: number): Promise<KeptAnswer<number>> =>
  keepWrite({
    name: 'set-lap',
    input: { setId, has },
    place: `set-lap ${setId} ${has}`,
    jobId,
    about: 'another lap',
    refresh: 'later',
  });

/** Writes what a gauge sent in one slow turn. */
export const writeSweep = (
  jobId: string,
  swept: Pick<SweptLapForm, 'setId' | 'lap'> & { readonly sweep: SweepRecord },
): Promise<KeptAnswer<number>> =>
  keepWrite({
    name: 'set-sweep',
    input: swept,
    place: `set-sweep ${swept.setId} ${swept.lap}`,
    jobId,
    about: `lap ${swept.lap + 1}, swept: ${swept.sweep.times.length} readings`,
  });

/** Sets a set aside with a reason. */
export const writeSetAside = (
  jobId: string,
  setId: string,
  reason: string,
): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'set-aside',
    input: { setId, reason },
    place: setPlace(setId),
    jobId,
    about: `a set put aside: ${reason}`,
  });

/** Lets a set count again. */
export const writeSetBack = (jobId: string, setId: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'set-take-back',
    input: { setId },
    place: setPlace(setId),
    jobId,
    about: 'a set that counts again',
  });

/** Notes torque, zero error, temperature or end play of a set. */
export const writeDetails = (jobId: string, details: SetDetails): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'set-details',
    input: details,
    place: `set-details ${details.setId} ${Object.keys(details).join(' ')}`,
    jobId,
    replaces: { room: 'job', as: 'shown' },
    about: 'what was noted of a set',
  });

/** Puts a pasted table of readings on file. */
export const writeTable = (table: ImportSets): Promise<KeptAnswer<readonly string[]>> =>
  keepWrite({
    name: 'sets-import',
    input: table,
    place: `sets-import ${table.jobId} ${table.corner} ${crypto.randomUUID()}`,
    jobId: table.jobId,
    about: `${table.corner}: a table of readings`,
  });

/** Says how the wheels of an axle are held on, before its first set. */
export const writeFastening = (form: FasteningForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'fastening',
    input: form,
    place: `fastening ${form.jobId} ${form.corner}`,
    jobId: form.jobId,
    about: `${form.corner}: ${form.studs} ${form.fastening}`,
    refresh: 'by-writer',
  });

export const limitPlace = (form: Pick<LimitForm, 'jobId' | 'corner' | 'kind'>): string =>
  `limit ${form.jobId} ${form.corner} ${form.kind}`;

/** Writes a figure of an axle that is not on file yet. */
export const writeLimit = (form: LimitForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'limit',
    input: form,
    place: limitPlace(form),
    jobId: form.jobId,
    about: `${form.corner}: ${form.kind} ${form.text}`,
    refresh: 'by-writer',
  });
