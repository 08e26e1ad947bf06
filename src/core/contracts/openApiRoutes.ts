import { z } from 'zod';
import { idSchema, writesSchema } from './forms';

/** A route that other programs of the shop may use, as the OpenAPI document tells of it. */
export interface RouteTold {
  readonly method: 'get' | 'post';
  readonly path: string;
  readonly summary: string;
  /** What the query may hold, by the schema that it is read by. */
  readonly query?: Readonly<Record<string, z.ZodType>>;
  /** What is sent as JSON, by the schema that parses it. */
  readonly body?: z.ZodType;
  /** The sort of document that it answers with. */
  readonly type: string;
  /** What stands in it, where it is JSON. */
  readonly answer?: z.ZodType;
}

const JSON_TYPE = 'application/json';
const CSV = 'text/csv';
const PDF = 'application/pdf';

/** Figures with a decimal comma instead of a point. */
const decimal = { decimal: z.enum(['comma', 'point']).optional() };
const words = { q: z.string() };
const health = z.object({
  ok: z.boolean(),
  version: z.string().optional(),
  schema: z.string().optional(),
  up: z.int().optional(),
  database: z.number().optional(),
  free: z.int().optional(),
  copy: z.object({ made: z.string(), since: z.int().nullable() }).nullable().optional(),
  warnings: z.array(z.string()).optional(),
});
const result = z.object({
  id: idSchema,
  state: z.enum(['done', 'conflict', 'refused', 'trouble']),
});

/** Routes that other programs of the shop may use beside the solvers; what is not here is for screens alone. */
export const ROUTES_TOLD: readonly RouteTold[] = [
  {
    ...{ method: 'get', path: '/api/health', type: JSON_TYPE, answer: health },
    summary: 'Whether the server and its records answer, and how they are.',
  },
  {
    ...{ method: 'get', path: '/api/metrics', type: 'text/plain' },
    summary: 'Figures of the server in the open text format.',
  },
  {
    ...{ method: 'get', path: '/api/v1/find', query: words, type: JSON_TYPE },
    summary: 'Where a few letters lead: jobs and vehicles.',
  },
  {
    ...{ method: 'get', path: '/api/v1/line', query: words, type: JSON_TYPE },
    summary: 'Where one line leads: a plate, a name, a number.',
  },
  {
    ...{ method: 'get', path: '/api/v1/jobs/{id}', type: JSON_TYPE },
    summary: 'A job as one document, its photos included.',
  },
  {
    ...{ method: 'get', path: '/api/v1/jobs/{id}/version', type: JSON_TYPE },
    answer: z.object({ version: z.int() }),
    summary: 'How far a job was written: it rises with every write.',
  },
  {
    ...{ method: 'get', path: '/api/v1/jobs/{id}/readings', query: decimal, type: CSV },
    summary: 'All readings of a job, a line each.',
  },
  {
    ...{ method: 'get', path: '/api/v1/jobs/{id}/parts.csv', query: decimal, type: CSV },
    summary: 'The parts that a job needs.',
  },
  {
    ...{ method: 'get', path: '/api/v1/jobs/{id}/report.pdf', type: PDF },
    summary: 'The owner’s report.',
  },
  {
    ...{ method: 'get', path: '/api/v1/jobs/{id}/estimate.pdf', type: PDF },
    summary: 'The estimate of a job.',
  },
  {
    ...{ method: 'get', path: '/api/v1/sets/{id}/csv', query: decimal, type: CSV },
    summary: 'One set of readings.',
  },
  {
    ...{ method: 'get', path: '/api/v1/sets/{id}/case', type: JSON_TYPE },
    summary: 'One set as the solvers take it.',
  },
  {
    ...{ method: 'get', path: '/api/v1/sets/{id}/readings', type: JSON_TYPE },
    summary: 'The readings of a set as they are on file.',
  },
  {
    ...{ method: 'get', path: '/api/v1/sets/{id}/changes', type: JSON_TYPE },
    summary: 'What readings of a set were typed over.',
  },
  {
    ...{ method: 'get', path: '/api/v1/photos/{sha256}', type: 'image/jpeg' },
    query: { size: z.enum(['thumb', 'picture']).optional() },
    summary: 'A photo.',
  },
  {
    ...{ method: 'get', path: '/api/v1/archive', type: JSON_TYPE },
    query: { job: idSchema.optional(), vehicle: idSchema.optional() },
    summary: 'Everything on file as one open document, for a lead; or one job or vehicle of it.',
  },
  {
    ...{ method: 'get', path: '/api/v1/archive/schema.json', type: JSON_TYPE },
    summary: 'The JSON schema of that document.',
  },
  ...(
    [
      ['jobs', 'All jobs, a line each.'],
      ['readings', 'All readings, a line each.'],
      ['rotors', 'What happened to every rotor.'],
      ['sheets', 'All model sheets, a figure a line.'],
    ] as const
  ).map(([name, summary]): RouteTold => ({
    ...{ method: 'get', path: `/api/v1/${name}.csv`, query: decimal, type: CSV, summary },
  })),
  {
    ...{ method: 'get', path: '/api/v1/due.ics', type: 'text/calendar' },
    summary: 'What is due, as a calendar.',
  },
  {
    ...{ method: 'get', path: '/api/v1/live', type: 'text/event-stream' },
    summary: 'Server-sent events: that a job was written to, and by which browser.',
  },
  {
    ...{ method: 'post', path: '/api/v1/writes', body: writesSchema, type: JSON_TYPE },
    answer: z.object({ results: z.array(result) }),
    summary:
      'Writes by use case, in order; each is done once, however often it is sent. Read about a use case at its form.',
  },
];

/** Routes of screens and people: no program asks for them. */
export const FOR_SCREENS: readonly string[] = [
  ...['/api/v1/pair', '/api/v1/session', '/api/v1/secrets', '/api/v1/who', '/api/v1/practice'],
  ...['/api/v1/devices', '/api/v1/devices/{id}', '/api/v1/programs', '/api/v1/programs/{id}'],
  ...['/api/v1/backup', '/api/v1/backup/now', '/api/v1/copies', '/api/v1/copies/{name}'],
  ...['/api/v1/staged/{id}', '/api/v1/sheets/plan', '/api/v1/vehicles/{id}/effects'],
  ...['/api/v1/jobs/{id}/photos', '/api/v1/road-tests/{id}/recording', '/api/v1/openapi.json'],
];
