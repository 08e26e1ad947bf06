import 'server-only';
import { KNOWLEDGE } from '../core/contracts';
import { writeTable, type Decimal } from '../core/exchange';
import { allJobLines } from '../db/repositories';
import { database } from './database';
import type { Download } from './exchange';
import { rotorsOfVehicle } from './rotorLife';
import { allVehicles } from './vehicles';

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
      KNOWLEDGE.causes.find(({ code }) => code === job.confirmedCause)?.name ?? null,
      job.comebackOf,
    ],
  ]);
  return { name: 'jobs.csv', text: writeTable(columns, rows, decimal) };
}

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
  const rows: (string | number | null)[][] = [];
  for (const { id, plate } of await allVehicles()) {
    for (const { corner, lines } of await rotorsOfVehicle(id)) {
      for (const { number, km, what, before, after } of lines) {
        rows.push([plate, corner, number, km, what, mm(before), mm(after)]);
      }
    }
  }
  return { name: 'rotors.csv', text: writeTable(columns, rows, decimal) };
}
