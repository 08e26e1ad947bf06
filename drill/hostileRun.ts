import { existsSync, readFileSync, rmSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import type { Ids } from './place';
import { requestMaker, type Sent } from './requests';
import { send, type Answered } from './send';

const AT_ONCE = 8;
const SLOW_MS = 5000;

/** What a server holds in MB once its heap is cleared, and what it has taken from the system. */
export interface Memory {
  readonly held: number;
  readonly taken: number;
}

/** Tells a server to clear its heap, and reads what it holds then. */
export async function memoryOf(pid: number, file: string): Promise<Memory> {
  rmSync(file, { force: true });
  process.kill(pid, 'SIGUSR2');
  for (let i = 0; i < 100 && !existsSync(file); i += 1) await wait(100);
  const { heapUsed, external, rss } = JSON.parse(readFileSync(file, 'utf8')) as NodeJS.MemoryUsage;
  return { held: (heapUsed + external) / 1e6, taken: rss / 1e6 };
}

export interface HostileResult {
  readonly sent: number;
  readonly byStatus: ReadonlyMap<number, number>;
  readonly faults: readonly string[];
  readonly slowest: number;
}

/** Whether an answer is a fault of ours: a 5xx, no answer, or a write that is in trouble. */
function faultOf(sent: Sent, { status, body }: Answered): string | null {
  const at = `${sent.about}: ${sent.method} ${sent.path.slice(0, 120)} ${sent.body?.slice(0, 200) ?? ''}`;
  if (status >= 500) return `${status} ${at}`;
  if (status === 0) return `no answer (${body}) ${at}`;
  return body.includes('"state":"trouble"') ? `trouble ${at}` : null;
}

/** Sends so many hostile requests, several at once, and says what came of them. */
export async function runHostile(
  port: number,
  ids: Ids,
  { count, seed }: { readonly count: number; readonly seed: number },
): Promise<HostileResult> {
  const make = requestMaker(ids, seed);
  const byStatus = new Map<number, number>();
  const faults: string[] = [];
  let slowest = 0;
  let begun = 0;
  const lane = async (): Promise<void> => {
    while (begun < count) {
      begun += 1;
      const number = begun;
      const sent = make();
      const answered = await send(port, sent);
      byStatus.set(answered.status, (byStatus.get(answered.status) ?? 0) + 1);
      slowest = Math.max(slowest, answered.ms);
      const fault = faultOf(sent, answered);
      if (fault) faults.push(fault);
      if (answered.ms > SLOW_MS)
        faults.push(
          `${(answered.ms / 1000).toFixed(1)} s ${sent.about} ${sent.path.slice(0, 120)}`,
        );
      if (number % 2000 === 0) process.stdout.write(`  ${number} sent, ${faults.length} faults\n`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, lane));
  return { sent: begun, byStatus, faults, slowest };
}
