import 'server-only';
import { z } from 'zod';
import { accept, refuse, type Answer } from '../../answer';
import { isSealedHere, sealed } from '../shopKey';
import {
  HISTORY_SCHEMA,
  ROW_SCHEMAS,
  TABLE_NAMES,
  withNewColumns,
  type ArchiveRow,
  type TableName,
} from './tables';

export const ARCHIVE_FORMAT = 'zesty-hound-archive';
export const ARCHIVE_VERSION = 3;
/** The version before there were a history and a seal: read as one of other records. */
const WITHOUT_HISTORY = 2;

/** Largest archive taken, in bytes. */
export const LARGEST_ARCHIVE = 400_000_000;

/** An archive: everything of a job, of a vehicle, or of the whole workshop. */
export interface ArchiveDocument {
  readonly format: typeof ARCHIVE_FORMAT;
  readonly version: typeof ARCHIVE_VERSION;
  /** When it was made. */
  readonly made: string;
  readonly scope: 'job' | 'vehicle' | 'all';
  readonly tables: Readonly<Record<TableName, readonly ArchiveRow[]>>;
  /** What became of its jobs and vehicles, line by line, in order. */
  readonly history: readonly ArchiveRow[];
  /** The seal of the shop that made it, over all the rest; missing where it was not sealed. */
  readonly seal?: string | undefined;
}

const documentSchema: z.ZodType<ArchiveDocument> = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  made: z.iso.datetime(),
  scope: z.enum(['job', 'vehicle', 'all']),
  tables: z.strictObject(
    Object.fromEntries(TABLE_NAMES.map((name) => [name, z.array(ROW_SCHEMAS[name])])) as Record<
      TableName,
      z.ZodArray<z.ZodType<ArchiveRow>>
    >,
  ),
  history: z.array(HISTORY_SCHEMA).max(5_000_000),
  seal: z.string().max(100).optional(),
});

/** The JSON Schema of an archive, made from what parses it. */
export const archiveJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(documentSchema, { io: 'input' }),
  title: `Zesty Hound archive, version ${ARCHIVE_VERSION}`,
});

/** What a file is by its first bytes, where it is no JSON; null where it may be. */
function packed(bytes: Uint8Array): string | null {
  const begins = (...magic: number[]): boolean => magic.every((byte, i) => bytes[i] === byte);
  if (begins(0x50, 0x4b)) return 'a zip file';
  if (begins(0x1f, 0x8b)) return 'a gzip file';
  if (begins(0x25, 0x50, 0x44, 0x46)) return 'a PDF';
  return bytes.includes(0) ? 'a binary file' : null;
}

const versionOf = (json: unknown): { format: unknown; version: unknown } =>
  typeof json === 'object' && json !== null && !Array.isArray(json)
    ? { format: undefined, version: undefined, ...json }
    : { format: undefined, version: undefined };

/** An archive from before there was a history, as it is read today: nothing seals it. */
function withoutHistory(json: unknown): unknown {
  const { tables, ...rest } = json as { readonly tables?: Readonly<Record<string, unknown>> };
  const jobs = Array.isArray(tables?.jobs) ? (tables.jobs as object[]) : [];
  return {
    ...rest,
    version: ARCHIVE_VERSION,
    tables: { ...tables, jobs: jobs.map((row) => ({ ...row, origin: null })) },
    history: [],
  };
}

/**
 * An archive from before a table held all that it holds today: what is missing is what a column says
 * where nobody said anything. Under this shop’s own seal it stays so: the seal is looked at first.
 */
function withWhatIsNew(json: unknown): unknown {
  const { tables } = json as { readonly tables?: Readonly<Record<string, unknown>> };
  if (typeof tables !== 'object') return json;
  let isOlder = false;
  const filled = TABLE_NAMES.flatMap((name): [string, unknown][] => {
    const rows = tables[name];
    if (!Array.isArray(rows)) return [];
    const all = rows.map((row: unknown) => {
      if (typeof row !== 'object' || row === null) return row;
      const whole = withNewColumns(name, row as ArchiveRow);
      isOlder ||= whole !== row;
      return whole;
    });
    return [[name, all]];
  });
  if (!isOlder) return json;
  const older = json as { readonly seal?: string };
  const document = { ...older, tables: { ...tables, ...Object.fromEntries(filled) } };
  return isSealedHere(older) ? sealed(document) : document;
}

/** Reads an archive, or says why it cannot be one. Nothing of it is used that was not parsed. */
export function readArchive(bytes: Uint8Array): Answer<ArchiveDocument> {
  if (bytes.length === 0) return refuse('The file is empty.');
  if (bytes.length > LARGEST_ARCHIVE) {
    return refuse(`The file has ${Math.round(bytes.length / 1e6)} MB; at most 400 MB are taken.`);
  }
  const kind = packed(bytes.subarray(0, 4096));
  if (kind) return refuse(`This is ${kind}. An archive is one JSON document: unpack it first.`);
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return refuse('This is no whole JSON document: the file is torn, or not an archive.');
  }
  const { format, version } = versionOf(json);
  if (format !== ARCHIVE_FORMAT) {
    return refuse('This JSON document is no archive of Zesty Hound.');
  }
  if (typeof version === 'number' && version > ARCHIVE_VERSION) {
    return refuse(
      `This archive has version ${version}; this program reads version ${ARCHIVE_VERSION}. Use the newer program.`,
    );
  }
  if (version === WITHOUT_HISTORY) json = withoutHistory(json);
  else if (version !== ARCHIVE_VERSION) {
    return refuse(`Archives of version ${String(version)} are not read any more.`);
  }
  json = withWhatIsNew(json);
  const parsed = documentSchema.safeParse(json);
  // What was parsed, in the order that it was sealed in.
  if (parsed.success) return accept(json as ArchiveDocument);
  const [issue] = parsed.error.issues;
  return refuse(
    `The archive is not sound at ${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`,
  );
}
