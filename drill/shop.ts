import { quantileOfSorted } from '../src/core/numeric';
import { overWaiting } from '../src/features/measure/held';
import { Keeper, isOnDevice } from '../src/ui/keeper/Keeper';
import { pageStore } from '../src/ui/keeper/deviceStore';
import { pageLog } from '../src/ui/keeper/doneLog';
import type { SendWrites, Settled, WriteAnswer } from '../src/ui/keeper/types';
import { serve, type Served } from '../bench/serve';
import { halfSaved } from './agree';
import type { Ids } from './place';
import { openShop, pairScreens, type Carried } from './signedIn';

/**
 * Four tablets and an office on one job: each reads and corrects at a set of its own and ticks steps that the others
 * tick too, by the very keeper of the screens; networks are cut and come back at random, the server is killed and
 * started again. At the end every screen, the database and its ledger must agree. Open to the network each screen
 * is paired and somebody of their own is signed in at it.
 */
const SCREENS = ['tablet 1', 'tablet 2', 'tablet 3', 'tablet 4', 'office'];
const POSITIONS = 24;
const PACE_MS = 1500;
const KILLS = 3;
const STEPS = ['wheel-off', 'caliper-off', 'push-back', 'rotor-off'];

export interface ShopResult {
  readonly written: number;
  readonly contested: number;
  readonly cuts: number;
  readonly kills: number;
  /** From a write that was sent to another screen that hears of it: the median and the 95th of a hundred, in ms. */
  readonly heard: readonly [number, number];
  readonly faults: readonly string[];
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** A plain generator: the same seed makes the same day. */
function random(seed: number): () => number {
  let state = seed * 2654435761 + 1;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

class Screen {
  isOffline = false;
  written = 0;
  contested = 0;
  cuts = 0;
  readonly heard: number[] = [];
  /** What was typed last at each position of the own set. */
  readonly typed = new Map<number, string>();
  /** What is known to stand at each. */
  private readonly kept = new Map<number, string>();
  readonly keeper: Keeper;
  setId = crypto.randomUUID() as string;
  private readonly chance: () => number;

  constructor(
    readonly name: string,
    private readonly corner: string,
    private readonly jobId: string,
    private readonly at: Carried,
    private readonly address: string,
    private readonly sentAt: Map<string, number>,
    seed: number,
  ) {
    this.chance = random(seed);
    this.keeper = new Keeper({
      store: pageStore(),
      log: pageLog(),
      send: this.send,
      alone: (run) => run(),
      crier: { tell: () => undefined, listen: () => undefined },
      pause: (ms) => wait(Math.min(ms, 1000)),
    });
    this.keeper.writer = at.by;
  }

  private readonly headers = (): Record<string, string> => ({
    cookie: this.at.cookie,
    'content-type': 'application/json',
  });

  private readonly send: SendWrites = async (device, writes) => {
    if (this.isOffline) throw new Error('offline');
    this.sentAt.set(device, performance.now());
    const answer = await fetch(`${this.address}/api/v1/writes`, {
      ...{ method: 'POST', headers: this.headers() },
      body: JSON.stringify({
        device,
        writes: writes.map(({ id, name, place, number, input, by, seen }) => ({
          ...{ id, name, place, number, input, by, seen },
        })),
      }),
    });
    // An answer may be lost on its way as well.
    if (this.isOffline || !answer.ok) throw new Error('no answer');
    return ((await answer.json()) as { results: readonly WriteAnswer[] }).results;
  };

  private keep(name: string, place: string, input: unknown): Promise<Settled> {
    this.written += 1;
    const order = { name, input, place, jobId: this.jobId, about: name };
    return this.keeper.keep(order, { by: this.at.by, href: '/' });
  }

  async begin(): Promise<void> {
    const plan = {
      kind: 'runout',
      positions: POSITIONS,
      shift: 0,
      face: 'outboard',
      gaugeId: null,
    };
    const nothing = { torqueNm: null, endPlayUm: null, angles: null, left: [] };
    const place = { jobId: this.jobId, phase: 'before', corner: this.corner };
    const how = await this.keep('set-begin', `set ${this.setId}`, {
      ...{ ...plan, ...nothing, ...place, id: this.setId },
    });
    if (how.state !== 'done')
      throw new Error(`${this.name} could not begin: ${JSON.stringify(how)}`);
  }

  /** Hears of the others as long as the day lasts. */
  async listen(until: number): Promise<void> {
    const own = await this.keeper.device();
    while (Date.now() < until) {
      try {
        const answer = await fetch(`${this.address}/api/v1/live`, { headers: this.headers() });
        for await (const chunk of answer.body!) {
          if (Date.now() > until) return;
          const now = performance.now();
          const text = new TextDecoder().decode(chunk as Uint8Array);
          for (const [, by = ''] of text.matchAll(/"by":"([^"]+)"/g)) {
            const sent = this.sentAt.get(by);
            if (by !== own && sent !== undefined) this.heard.push(now - sent);
          }
        }
      } catch {
        await wait(500);
      }
    }
  }

  /** One thing that somebody does. */
  private act(): void {
    if (this.chance() < 0.1) {
      this.isOffline = !this.isOffline;
      if (this.isOffline) this.cuts += 1;
      else void this.keeper.pump();
    }
    if (this.chance() < 0.15) {
      const item = STEPS[Math.floor(this.chance() * STEPS.length)]!;
      const step = { kind: 'step', place: this.corner, item, value: true, note: null, seen: null };
      void this.keep('check', `check ${this.corner} ${item}`, { jobId: this.jobId, ...step }).then(
        ({ state }) => (this.contested += state === 'conflict' ? 1 : 0),
      );
      return;
    }
    const position = Math.floor(this.chance() * POSITIONS);
    const text = `0.0${String(10 + Math.floor(this.chance() * 80))}`;
    const place = `reading ${this.setId} 0 ${position}`;
    // As the bench says it: what the screen showed before anything that still waits.
    const shown = this.kept.get(position) ?? null;
    const was = overWaiting(this.keeper.current().writes, place, shown);
    this.typed.set(position, text);
    const reading = { setId: this.setId, lap: 0, position, text, unit: 'mm', was };
    void this.keep('reading', place, reading).then(({ state }) => {
      if (state === 'done') this.kept.set(position, text);
    });
  }

  async work(until: number): Promise<void> {
    while (Date.now() < until) {
      this.act();
      await wait(PACE_MS * (0.5 + this.chance()));
    }
    this.isOffline = false;
  }

  /** Waits until nothing of it is on its way. */
  async finish(): Promise<string | null> {
    for (let i = 0; i < 600; i += 1) {
      void this.keeper.pump();
      const waits = this.keeper
        .current()
        .writes.filter((each) => each.status.state === 'waiting' || !isOnDevice(each));
      if (waits.length === 0) return null;
      await wait(100);
    }
    return `${this.name}: something typed did not arrive in a minute`;
  }

  /** What stands on the server in another way than it was typed last. */
  async compare(): Promise<readonly string[]> {
    const answer = await fetch(`${this.address}/api/v1/sets/${this.setId}/readings`, {
      headers: this.headers(),
    });
    const { readings } = (await answer.json()) as {
      readings: readonly { lap: number; position: number; text: string }[];
    };
    const faults: string[] = [];
    for (const [position, text] of this.typed) {
      const stands = readings.find((each) => each.lap === 0 && each.position === position)?.text;
      if (stands !== text) {
        faults.push(`${this.name}, position ${position}: ${text} was typed, ${stands} stands`);
      }
    }
    return faults;
  }
}

/** A day of so many minutes in a shop with four tablets and an office. */
export async function runShop(
  place: { readonly folder: string; readonly ids: Ids },
  {
    minutes,
    seed,
    port,
    isOpen,
  }: {
    readonly minutes: number;
    readonly seed: number;
    readonly port: number;
    /** Open to the network, where people sign in. */
    readonly isOpen: boolean;
  },
): Promise<ShopResult> {
  const { folder, ids } = place;
  const start = (): Promise<Served> => serve(folder, port, { isOpen });
  const nobody = SCREENS.map(() => ({ cookie: `zh-who=${ids.lead}`, by: ids.lead }));
  const open = isOpen ? await openShop(folder, ids, start) : null;
  let server = open?.server ?? (await start());
  const carried = open ? await pairScreens(open, SCREENS, ids) : nobody;
  const jobId = ids.jobs[0]!;
  const exported = await fetch(`${server.address}/api/v1/jobs/${jobId}`, {
    headers: { cookie: carried[0]!.cookie },
  });
  const { job } = (await exported.json()) as { job: { corners: string[] } };
  const sentAt = new Map<string, number>();
  const screens = SCREENS.map(
    (name, i) =>
      new Screen(
        name,
        job.corners[i % job.corners.length]!,
        jobId,
        carried[i]!,
        server.address,
        sentAt,
        seed + i,
      ),
  );
  for (const screen of screens) await screen.begin();
  const until = Date.now() + minutes * 60_000;
  const killer = async (): Promise<void> => {
    for (let i = 0; i < KILLS; i += 1) {
      await wait((minutes * 60_000) / (KILLS + 1));
      process.kill(server.pid, 'SIGKILL');
      await wait(500);
      server = await start();
    }
  };
  const listening = screens.map((screen) => screen.listen(until));
  await Promise.all([killer(), ...screens.map((screen) => screen.work(until))]);
  const late = await Promise.all(screens.map((screen) => screen.finish()));
  const faults = late.filter((each) => each !== null);
  for (const screen of screens) faults.push(...(await screen.compare()));
  await server.stop();
  void Promise.allSettled(listening);
  process.env.ZESTY_HOUND_DATA = folder;
  faults.push(...(await halfSaved()).map((each) => `half saved: ${each}`));
  const heard = screens.flatMap((screen) => screen.heard).sort((p, q) => p - q);
  const sum = (of: (screen: Screen) => number): number =>
    screens.reduce((all, screen) => all + of(screen), 0);
  return {
    written: sum(({ written }) => written),
    contested: sum(({ contested }) => contested),
    cuts: sum(({ cuts }) => cuts),
    kills: KILLS,
    heard: [quantileOfSorted(heard, 0.5), quantileOfSorted(heard, 0.95)],
    faults,
  };
}
