import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { maySo, type Role } from '../src/core/job';
import { closeDatabase, database } from '../src/server/database';
import { roleFor, USE_CASE_NAMES, type UseCaseName } from '../src/server/writes/useCases';
import { serve } from '../bench/serve';
import type { Ids } from './place';
import { requestMaker, type Sent } from './requests';
import { send, type Answered } from './send';
import { openShop } from './signedIn';

/**
 * npm run drill -- access: hostile requests to a server that is open to the network, from a screen that is not
 * paired, from a paired one at which nobody is signed in, and from somebody of each role. The first two are told
 * nothing of a job, and nobody writes beyond their role.
 */
const AT_ONCE = 4;
/** Shorter texts stand on pages that have nothing of the shop. */
const SHORTEST = 8;

export interface RoleResult {
  readonly who: string;
  readonly sent: number;
  readonly byStatus: ReadonlyMap<number, number>;
  /** Writes that were done. */
  readonly done: number;
  readonly faults: readonly string[];
}

interface Visitor {
  readonly who: string;
  readonly cookie: string;
  /** Null for those who are told nothing. */
  readonly role: Role | null;
}

/** What only the shop’s record knows: plates and complaints, as they stand before anybody comes. */
async function wordsOfJobs(folder: string): Promise<readonly string[]> {
  process.env.ZESTY_HOUND_DATA = folder;
  const { query } = await database();
  const vehicles = await query.vehicles.findMany();
  const jobs = await query.jobs.findMany();
  await closeDatabase();
  const words = [...vehicles.map(({ plate }) => plate), ...jobs.map(({ complaint }) => complaint)];
  return [...new Set(words)].filter((word) => word.length >= SHORTEST);
}

interface Guarded {
  readonly method: string;
  readonly path: RegExp;
  readonly may: Role;
}

/** The routes that are for a role, as their files say it. */
function guardedRoutes(): readonly Guarded[] {
  const files = readdirSync('src/app', { recursive: true, encoding: 'utf8' });
  return files
    .filter((file) => path.basename(file) === 'route.ts')
    .flatMap((file) => {
      const place = `/${path.dirname(file)}`.replace(/\[[^\]]+\]/g, '[^/]+');
      const text = readFileSync(path.join('src/app', file), 'utf8');
      const own = text.matchAll(
        /export const (GET|POST|PUT|DELETE) =\s*(?:behindGate\()?\s*forRole\(\s*'(\w+)'/g,
      );
      return [...own].map(([, method = '', may = 'lead']) => ({
        ...{ method, path: new RegExp(`^${place}(\\?|$)`), may: may as Role },
      }));
    });
}

/** The use case and input of a write that is one; null for anything else. */
function writeIn({ body }: Sent): { readonly name: UseCaseName; readonly input: unknown } | null {
  try {
    const { writes } = JSON.parse(body ?? '') as { writes: { name: string; input: unknown }[] };
    const name = USE_CASE_NAMES.find((each) => each === writes[0]?.name);
    return name ? { name, input: writes[0]!.input } : null;
  } catch {
    return null;
  }
}

/** What an answer tells or does beyond what its visitor may; null where nothing. */
function faultOf(
  { role }: Visitor,
  sent: Sent,
  { status, body }: Answered,
  known: { readonly words: readonly string[]; readonly routes: readonly Guarded[] },
): string | null {
  const at = `${sent.about}: ${sent.method} ${sent.path.slice(0, 120)} ${sent.body?.slice(0, 160) ?? ''}`;
  if (status >= 500) return `${status} ${at}`;
  const isDone = body.includes('"state":"done"');
  if (role === null) {
    const told = known.words.find((word) => body.includes(word));
    if (told !== undefined) return `told “${told}” by ${at}`;
    return isDone ? `wrote ${at}` : null;
  }
  const write = isDone ? writeIn(sent) : null;
  if (write && !maySo(role, roleFor(write.name, write.input))) return `wrote beyond ${role}: ${at}`;
  const guarded = known.routes.find(
    (route) => route.method === sent.method && route.path.test(sent.path),
  );
  const isAnswered = status >= 200 && status < 300;
  return guarded && isAnswered && !maySo(role, guarded.may) ? `let ${role} in: ${at}` : null;
}

/** Sends so many requests as one visitor. */
async function visit(
  port: number,
  visitor: Visitor,
  make: () => Sent,
  count: number,
  known: Parameters<typeof faultOf>[3],
): Promise<RoleResult> {
  const byStatus = new Map<number, number>();
  const faults: string[] = [];
  let [begun, done] = [0, 0];
  const lane = async (): Promise<void> => {
    while (begun < count) {
      begun += 1;
      const made = make();
      const sent = { ...made, headers: { ...made.headers, cookie: visitor.cookie } };
      const answered = await send(port, sent, true);
      byStatus.set(answered.status, (byStatus.get(answered.status) ?? 0) + 1);
      if (answered.body.includes('"state":"done"')) done += 1;
      const fault = faultOf(visitor, sent, answered, known);
      if (fault) faults.push(fault);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, lane));
  return { who: visitor.who, sent: begun, byStatus, done, faults };
}

/** So many requests from each kind of visitor, the least first. */
export async function runRoles(
  { folder, ids }: { readonly folder: string; readonly ids: Ids },
  { port, count, seed }: { readonly port: number; readonly count: number; readonly seed: number },
): Promise<readonly RoleResult[]> {
  const words = await wordsOfJobs(folder);
  const shop = await openShop(folder, ids, () => serve(folder, port, { isOpen: true }));
  const known = { words, routes: guardedRoutes() };
  const visitors: Visitor[] = [
    { who: 'a screen that is not paired', cookie: '', role: null },
    { who: 'a paired screen, nobody signed in', cookie: await shop.pair('lift 1'), role: null },
  ];
  for (const { id, role } of ids.roles) {
    const { cookie } = await shop.signIn(await shop.pair(`of the ${role}`), id);
    visitors.push({ who: `the ${role}`, cookie, role });
  }
  const results: RoleResult[] = [];
  for (const [i, visitor] of visitors.entries()) {
    results.push(await visit(port, visitor, requestMaker(ids, seed + i), count, known));
  }
  await shop.server.stop();
  return results;
}
