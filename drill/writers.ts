import { vehicleForm } from '../src/features/vehicles/model';
import type { Job } from '../src/core/job';
import type { Ids } from './place';
import { send } from './send';

const WRITERS = 50;
const TRIES = 2000;

interface WriteResult {
  readonly state: 'done' | 'conflict' | 'refused' | 'trouble';
}

interface Write {
  readonly name: string;
  readonly input: unknown;
  /** The last line of the ledger that its writer has seen, for a form. */
  readonly upTo?: number;
}

/** One place at which many write at once, each adding one to what stands there. */
interface Contest {
  readonly name: string;
  readonly writers: number;
  /** How many stand there. */
  readonly count: (job: Job) => number;
  /** What adds one to what a writer sees. */
  readonly more: (job: Job, writer: number) => Write;
}

export interface ContestResult {
  readonly name: string;
  readonly writers: number;
  readonly lost: number;
  readonly troubles: number;
  readonly conflicts: number;
  readonly seconds: number;
}

const deviceOf = (writer: number): string =>
  `00000000-0000-4000-8000-0000000001${writer.toString(16).padStart(2, '0')}`;

/** Fifty writers at one job, vehicle, check, reading, decision and set: what is lost of it. */
export async function runWriters(port: number, ids: Ids): Promise<readonly ContestResult[]> {
  const headers = { cookie: `zh-who=${ids.lead}`, 'content-type': 'application/json' };
  const post = async (write: Write, writer: number, number: number): Promise<WriteResult> => {
    const { name, input, upTo = 0 } = write;
    const one = {
      ...{ id: crypto.randomUUID(), name, input, number, place: `drill ${name} ${writer}` },
      ...{ by: ids.lead, seen: { upTo, isOwnSeen: false } },
    };
    const body = JSON.stringify({ device: deviceOf(writer), writes: [one] });
    const sent = { method: 'POST', path: '/api/v1/writes', headers, body };
    const answer = await send(port, sent);
    const [result] = (JSON.parse(answer.body) as { results: WriteResult[] }).results;
    return result!;
  };
  const made = async (name: string, input: unknown): Promise<string> => {
    const result = (await post({ name, input }, 255, Date.now())) as WriteResult & {
      value: unknown;
    };
    if (result.state !== 'done') throw new Error(`${name}: ${JSON.stringify(result)}`);
    return typeof result.value === 'string' ? result.value : (result.value as { id: string }).id;
  };
  const jobId = await made('job', {
    ...{ vehicleId: ids.vehicles[0], complaint: '0', odometerKm: '', corners: ['FL', 'FR'] },
  });
  const setId = await made('set-begin', {
    ...{ jobId, corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
    ...{ positions: 36, shift: 0, laps: 2 },
  });
  const read = async (): Promise<Job> => {
    const { body } = await send(port, {
      ...{ method: 'GET', path: `/api/v1/jobs/${jobId}`, headers, body: null },
    });
    return (JSON.parse(body) as { job: Job }).job;
  };
  const readingAt = (job: Job, lap: number, position: number): string | null =>
    job.sets
      .find(({ id }) => id === setId)
      ?.readings.find((each) => each.lap === lap && each.position === position)?.text ?? null;
  const starOf = ({ checks }: Job) =>
    checks.find(({ kind, item }) => kind === 'torque' && item === 'star');
  const pullsOf = (job: Job): readonly number[] =>
    (starOf(job)?.value as { pulls: readonly number[] } | undefined)?.pulls ?? [];

  const contests: readonly Contest[] = [
    {
      name: 'one job: its complaint',
      writers: WRITERS,
      count: ({ complaint }) => Number(complaint),
      more: ({ complaint, reach }) => ({
        name: 'complaint',
        input: {
          jobId,
          form: {
            complaint: String(Number(complaint) + 1),
            ...{ odometerKm: '', corners: ['FL', 'FR'] },
          },
        },
        upTo: reach.job,
      }),
    },
    {
      name: 'one vehicle: its mass',
      writers: WRITERS,
      count: ({ vehicle }) => (vehicle.massKg ?? 1000) - 1000,
      more: ({ vehicle, reach }) => ({
        name: 'vehicle',
        input: {
          id: vehicle.id,
          form: {
            ...vehicleForm(vehicle as never),
            ...{ massKg: String((vehicle.massKg ?? 1000) + 1), why: 'weighed' },
          },
        },
        upTo: reach.vehicle,
      }),
    },
    {
      name: 'one check: the pulls of a star',
      writers: 15,
      count: (job) => pullsOf(job).length,
      more: (job, writer) => ({
        name: 'check',
        input: {
          ...{ jobId, kind: 'torque', place: 'FL', item: 'star', note: null },
          value: { pulls: [...pullsOf(job), 100 + writer] },
          seen: starOf(job)?.stamp ?? null,
        },
      }),
    },
    {
      name: 'one reading',
      writers: WRITERS,
      count: (job) => Math.floor(Number(readingAt(job, 0, 0) ?? 0) * 1000),
      more: (job, writer) => {
        const was = readingAt(job, 0, 0);
        // Whole micrometres are counted; what comes behind them is the writer’s own.
        const next = Math.floor(Number(was ?? 0) * 1000) + 1;
        const text = (next / 1000 + (writer + 1) / 100_000).toFixed(5);
        return {
          name: 'reading',
          input: { setId, lap: 0, position: 0, text, unit: 'mm', was },
        };
      },
    },
    {
      name: 'one set: fifty places of it',
      writers: WRITERS,
      count: (job) =>
        Array.from({ length: WRITERS }, (_, i) => readingAt(job, 1, i % 36) !== null).filter(
          Boolean,
        ).length,
      more: (_, writer) => ({
        name: 'reading',
        input: {
          ...{ setId, lap: 1, position: writer % 36, text: '0.010', unit: 'mm' },
        },
      }),
    },
  ];

  const writeOnce = async ({ more }: Contest, writer: number) => {
    const seen = { troubles: 0, conflicts: 0 };
    for (let attempt = 1; attempt <= TRIES; attempt += 1) {
      const result = await post(
        more(await read(), writer),
        writer,
        Date.now() * 100 + (attempt % 100),
      );
      if (result.state === 'done') return seen;
      if (result.state === 'conflict') seen.conflicts += 1;
      else if (result.state === 'trouble') seen.troubles += 1;
      else throw new Error(JSON.stringify(result));
    }
    throw new Error(`Writer ${writer} never came through`);
  };
  const results: ContestResult[] = [];
  for (const contest of contests) {
    const began = performance.now();
    const before = contest.count(await read());
    const runs = await Promise.all(
      Array.from({ length: contest.writers }, (_, writer) => writeOnce(contest, writer)),
    );
    const after = contest.count(await read());
    const sum = (key: 'troubles' | 'conflicts'): number =>
      runs.reduce((total, each) => total + each[key], 0);
    results.push({
      name: contest.name,
      writers: contest.writers,
      lost: contest.writers - (after - before),
      troubles: sum('troubles'),
      conflicts: sum('conflicts'),
      seconds: (performance.now() - began) / 1000,
    });
  }
  return results;
}
