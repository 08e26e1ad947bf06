import 'server-only';
import { createHash } from 'node:crypto';
import type { ArchiveDocument } from './document';
import { keyOfRow, TABLE_NAMES, timesOf, type TableName } from './tables';

/** Rows that hang on a job, with the job that they hang on. */
export const JOB_OF: Readonly<Partial<Record<TableName, string>>> = {
  jobCorners: 'jobId',
  readingSets: 'jobId',
  decisions: 'jobId',
  findings: 'jobId',
  findingsAside: 'jobId',
  checks: 'jobId',
  trayParts: 'jobId',
  photos: 'jobId',
  roadTests: 'jobId',
  additions: 'jobId',
  rechecks: 'jobId',
};

/** Clocks of two shops differ, and zones do; nothing was written later than this from now. */
const CLOCKS_MS = 24 * 3600 * 1000;

/** The first row that says it was written in the future, in words; null where none does. */
function lateRow({ tables, history }: ArchiveDocument): string | null {
  const latest = Date.now() + CLOCKS_MS;
  const line = history.find(({ at }) => Date.parse(String(at)) > latest);
  if (line) {
    return `A line of the history (${String(line.line)}) says that it was written at ${String(line.at)}, which is yet to come.`;
  }
  for (const name of TABLE_NAMES) {
    for (const key of timesOf(name)) {
      const row = tables[name].find((each) => Date.parse(String(each[key] ?? '')) > latest);
      if (row) {
        return `A row of ${name} (${keyOfRow(name, row)}) says that it was written at ${String(row[key])}, which is yet to come.`;
      }
    }
  }
  return null;
}

/** What is wrong inside an archive: pictures that are not theirs, rows that hang on nothing. */
export function complaint(archive: ArchiveDocument): string | null {
  const { tables } = archive;
  for (const { sha256, picture } of tables.photoBlobs) {
    const digest = createHash('sha256')
      .update(Buffer.from(String(picture), 'base64'))
      .digest('hex');
    if (digest !== sha256)
      return `The picture ${String(sha256).slice(0, 12)} is not the one it says.`;
  }
  const late = lateRow(archive);
  if (late !== null) return late;
  const ids = (name: TableName): Set<unknown> => new Set(tables[name].map(({ id }) => id));
  const jobIds = ids('jobs');
  for (const [name, key] of Object.entries(JOB_OF) as [TableName, string][]) {
    const lost = tables[name].find((row) => !jobIds.has(row[key]));
    if (lost) return `A row of ${name} belongs to a job that is not in the archive.`;
  }
  const setIds = ids('readingSets');
  if (tables.readings.some(({ setId }) => !setIds.has(setId))) {
    return 'A reading belongs to a set that is not in the archive.';
  }
  for (const name of TABLE_NAMES) {
    const keys = tables[name].map((row) => keyOfRow(name, row));
    if (new Set(keys).size < keys.length) return `Two rows of ${name} have the same key.`;
  }
  return null;
}
