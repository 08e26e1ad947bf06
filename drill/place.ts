import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ROLES, type Role } from '../src/core/job';
import { closeDatabase, database } from '../src/server/database';

/** Ids of what the demo workshop has: what a request can point at. */
export interface Ids {
  readonly jobs: readonly string[];
  readonly closed: readonly string[];
  readonly sets: readonly string[];
  readonly vehicles: readonly string[];
  readonly people: readonly string[];
  readonly lead: string;
  /** Everybody with their role, the one who may least first. */
  readonly roles: readonly { readonly id: string; readonly role: Role }[];
  readonly gauges: readonly string[];
  readonly parts: readonly string[];
}

/** A data folder with the demo workshop, and what is in it. */
export async function demoFolder(): Promise<{ readonly folder: string; readonly ids: Ids }> {
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-drill-'));
  execFileSync(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'src/cli/seedDemo.ts'],
    { env: { ...process.env, ZESTY_HOUND_DATA: folder }, stdio: 'ignore' },
  );
  process.env.ZESTY_HOUND_DATA = folder;
  const ids = await idsOnFile();
  return { folder, ids };
}

async function idsOnFile(): Promise<Ids> {
  const db = await database();
  const { query } = db;
  const jobs = await query.jobs.findMany();
  const people = await query.people.findMany();
  const idsOf = (rows: readonly { readonly id: string }[]): string[] => rows.map(({ id }) => id);
  const ids: Ids = {
    jobs: idsOf(jobs.filter(({ closedAt }) => closedAt === null)),
    closed: idsOf(jobs.filter(({ closedAt }) => closedAt !== null)),
    sets: idsOf(await query.readingSets.findMany()),
    vehicles: idsOf(await query.vehicles.findMany()),
    people: idsOf(people),
    lead: people.find(({ role }) => role === 'lead')?.id ?? '',
    roles: ROLES.flatMap((role) =>
      people.filter((each) => each.role === role).map(({ id }) => ({ id, role })),
    ),
    gauges: idsOf(await query.gauges.findMany()),
    parts: idsOf(await query.trayParts.findMany()),
  };
  await closeDatabase();
  return ids;
}
