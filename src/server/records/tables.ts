import 'server-only';
import { KNOWLEDGE } from '../../core/contracts';
import { writeRows, writeTable, type Decimal } from '../../core/exchange';
import { partsNeeded, type Job } from '../../core/job';
import { allJobLines, readingLines } from '../../db/repositories';
import { database } from '../database';
import type { Download } from '../measure/exchange';
import { rotorsOfVehicles } from './rotorLife';
import { allVehicles } from '../shop/vehicles';

const MM = 1000;
const day = (at: Date | null): string | null => at && at.toISOString().slice(0, 10);
const mm = (um: number | null): number | null => (um === null ? null : um / MM);

/** All jobs as a table, oldest first. */
export async function jobsTable(decimal: Decimal): Promise<Download> {
  const columns = [
    ...['job', 'plate', 'make', 'model', 'opened', 'signed_off', 'signed_by'],
    ...['odometer_km', 'corners', 'complaint', 'confirmed_cause', 'comeback_of_job'],
  ];
  const rows = (await allJobLines(await database())).map((job) => [
    ...[job.number, job.plate, job.make, job.model, day(job.createdAt), day(job.closedAt)],
    ...[job.signedBy, job.odometerKm, job.corners, job.complaint],
    ...[
      [...KNOWLEDGE.causes, ...KNOWLEDGE.former].find(({ code }) => code === job.confirmedCause)
        ?.name ?? null,
      job.comebackOf,
    ],
  ]);
  return { name: 'jobs.csv', text: writeTable(columns, rows, decimal) };
}

/** The parts that a job needs, a line each. */
export const partsTable = (job: Job, decimal: Decimal): Download => ({
  name: `parts-job-${job.number}.csv`,
  text: writeTable(
    ['job', 'plate', 'part', 'count', 'number', 'supplier', 'state'],
    partsNeeded(job).map(({ name, count, order }) => [
      ...[job.number, job.vehicle.plate, name, count],
      ...[order?.number ?? null, order?.supplier ?? null, order?.state ?? 'not asked for'],
    ]),
    decimal,
  ),
});

/** Vehicles whose rotors are asked for at once. */
const VEHICLES_AT_A_TIME = 100;

/** What happened to every rotor, a line a job, by vehicle and corner. */
export async function rotorsTable(decimal: Decimal): Promise<Download> {
  const columns = [
    'plate',
    'corner',
    'job',
    'km',
    'what',
    'thinnest_before_mm',
    'thinnest_after_mm',
  ];
  const all = await allVehicles();
  const rows: (string | number | null)[][] = [];
  for (let first = 0; first < all.length; first += VEHICLES_AT_A_TIME) {
    const some = all.slice(first, first + VEHICLES_AT_A_TIME);
    const rotors = await rotorsOfVehicles(some.map(({ id }) => id));
    for (const { id, plate } of some) {
      for (const { corner, lines } of rotors.get(id) ?? []) {
        for (const { number, km, what, before, after } of lines) {
          rows.push([plate, corner, number, km, what, mm(before), mm(after)]);
        }
      }
    }
  }
  return { name: 'rotors.csv', text: writeTable(columns, rows, decimal) };
}

/** Jobs whose readings are asked for at once: a table of millions is never held whole. */
const JOBS_AT_A_TIME = 50;

/** All readings as a table, in pieces: a reading a line, in the order of jobs and sets. */
export async function* readingsTable(decimal: Decimal): AsyncGenerator<string> {
  const columns = [
    ...['plate', 'job', 'corner', 'kind', 'phase', 'face', 'circle', 'shift', 'set_aside'],
    ...['lap', 'position', 'value_mm', 'taken_at'],
  ];
  const db = await database();
  yield writeTable(columns, [], decimal);
  for (let after = -1; ;) {
    const { lines, last } = await readingLines(db, after, JOBS_AT_A_TIME);
    if (last === null) return;
    after = last;
    const rows = lines.map((line) => [
      ...[line.plate, line.number, line.corner, line.kind, line.phase, line.face, line.circle],
      ...[line.shift, line.setAsideAt ? 'yes' : 'no', line.lap, line.position],
      ...[mm(line.valueUm), line.takenAt.toISOString()],
    ]);
    if (rows.length > 0) yield writeRows(rows, decimal);
  }
}
