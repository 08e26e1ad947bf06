import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { seededRandom } from '../src/core/numeric';
import { SOLVERS } from '../src/core/contracts';
import { USE_CASE_NAMES } from '../src/server/writes/useCases';
import { FORMS, type Pick } from './forms';
import { inAddress, madeWrong } from './hostile';
import type { Ids } from './place';

/** One request as it goes over the wire. */
export interface Sent {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | null;
  /** What it was meant to try. */
  readonly about: string;
}

const APP = 'src/app';

/** Every address below the application that a file of a name answers, like "/jobs/[id]". */
function addresses(name: string): string[] {
  const found = readdirSync(APP, { recursive: true, encoding: 'utf8' });
  return found
    .filter((file) => path.basename(file) === name)
    .map((file) => `/${path.dirname(file)}`.replace(/^\/\.$/, '/'))
    .sort();
}

/** Documents that solvers are known to take, by solver. */
function solverInputs(): Map<string, unknown> {
  const inputs = new Map<string, unknown>();
  for (const { name } of SOLVERS) {
    try {
      const [line = '{}'] = readFileSync(`tests/golden/cases/${name}.jsonl`, 'utf8').split('\n');
      inputs.set(name, (JSON.parse(line) as { case: unknown }).case);
    } catch {
      inputs.set(name, {});
    }
  }
  return inputs;
}

const DEVICE = '00000000-0000-4000-8000-0000000000dd';
const JSON_HEADERS = { 'content-type': 'application/json' };
const CORNER_PARTS = ['FL', 'FR', 'RL', 'RR'];

/** Makes hostile requests over every page and handler and every use case, by a seed. */
export function requestMaker(ids: Ids, seed: number): () => Sent {
  const random = seededRandom(seed).uniform;
  const pick: Pick = (list) => list[Math.floor(random() * list.length)]!;
  const pages = addresses('page.tsx');
  const handlers = addresses('route.ts');
  const solvers = solverInputs();
  let number = 0;

  const part = (name: string): string => {
    if (random() < 0.3) return inAddress(pick);
    if (name === 'corner') return pick(CORNER_PARTS);
    if (name === 'id') return pick([...ids.jobs, ...ids.closed, ...ids.vehicles, ...ids.sets]);
    if (name === 'name') return pick([...SOLVERS.map((solver) => solver.name), 'backup.tar.gz']);
    return inAddress(pick);
  };
  const filled = (address: string): string =>
    address.replaceAll(/\[(\w+)\]/g, (_, name: string) => part(name));
  const query = (): string =>
    random() < 0.5
      ? ''
      : `?${pick(['q', 'page', 'only', 'before', 'kind', 'vehicle', 'job', 'copy', 'decimal', 'state', 'comeback', 'year'])}=${inAddress(pick)}`;
  const who = (): Record<string, string> => {
    const id = pick([ids.lead, ids.lead, pick(ids.people), inAddress(pick), '']);
    return id === '' ? {} : { cookie: `zh-who=${id}` };
  };

  const page = (): Sent => ({
    method: pick(['GET', 'GET', 'GET', 'HEAD', 'POST', 'PUT', 'TRACE', 'DELETE', 'OPTIONS']),
    path: filled(pick(pages)) + query(),
    headers: {
      ...who(),
      ...(random() < 0.2 ? { rsc: '1', 'next-router-state-tree': '%5B%5D' } : {}),
    },
    body: null,
    about: 'a page',
  });
  const action = (): Sent => ({
    method: 'POST',
    path: filled(pick(pages)),
    headers: {
      ...who(),
      'next-action': pick(['0'.repeat(42), 'x', '7f'.repeat(21)]),
      'content-type': pick(['text/plain;charset=UTF-8', 'multipart/form-data; boundary=x', '']),
    },
    body: pick(['[]', '{', '["$F1"]', '["$K1"]', '', '--x\r\n\r\n--x--', '\0']),
    about: 'an action without a form',
  });
  const handler = (): Sent => {
    const method = pick(['GET', 'POST', 'POST', 'DELETE', 'HEAD', 'PATCH']);
    return {
      method,
      path: filled(pick(handlers)) + query(),
      headers: { ...who(), ...JSON_HEADERS },
      body: ['GET', 'HEAD'].includes(method)
        ? null
        : (JSON.stringify(madeWrong({ id: pick(ids.people), evenForeign: false }, random, pick)) ??
          pick(['', '{', '\0', '[1', 'null'])),
      about: 'a handler',
    };
  };
  const solver = (): Sent => {
    const { name } = pick(SOLVERS);
    return {
      method: 'POST',
      path: `/api/v1/solve/${name}`,
      headers: JSON_HEADERS,
      body: JSON.stringify(madeWrong(solvers.get(name), random, pick)) ?? '',
      about: `the solver ${name}`,
    };
  };
  const write = (): Sent => {
    const name = pick(USE_CASE_NAMES) as keyof typeof FORMS;
    const right = FORMS[name](ids, pick);
    number += 1;
    const one = {
      id: crypto.randomUUID(),
      name,
      place: `drill ${random() < 0.5 ? number : name}`,
      number,
      input: random() < 0.15 ? right : madeWrong(right, random, pick),
      by: pick([ids.lead, ids.lead, pick(ids.people), null]),
      ...(random() < 0.8 ? { seen: { upTo: pick([0, 1e9]), isOwnSeen: random() < 0.5 } } : {}),
    };
    const writes = { device: DEVICE, writes: [one] };
    return {
      method: 'POST',
      path: '/api/v1/writes',
      headers: JSON_HEADERS,
      body: JSON.stringify(random() < 0.1 ? madeWrong(writes, random, pick) : writes) ?? '',
      about: `the write ${name}`,
    };
  };
  return () => pick([page, handler, action, solver, write, write, write, write])();
}
