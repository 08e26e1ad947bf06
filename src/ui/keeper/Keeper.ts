import type {
  DoneLog,
  DoneWrite,
  KeptWrite,
  Reach,
  Replaces,
  Seen,
  SendWrites,
  Settled,
  WriteAnswer,
  WriteOrder,
  WriteStore,
} from './types';

/** What tabs of one browser tell each other. */
interface Note {
  /** Writes that were settled, with how. */
  readonly settled: readonly { readonly write: KeptWrite; readonly how: Settled }[];
}

/** Lets tabs tell each other; every note reaches the others, not the teller. */
export interface Crier {
  readonly tell: (note: Note) => void;
  readonly listen: (listener: (note: Note) => void) => void;
}

export interface KeeperParts {
  readonly store: WriteStore;
  readonly log: DoneLog;
  readonly send: SendWrites;
  /** Runs something while no other tab of this browser does. */
  readonly alone: (run: () => Promise<void>) => Promise<void>;
  readonly crier: Crier;
  /** Waits before the next try; ends early when the network is back. */
  readonly pause: (ms: number) => Promise<void>;
}

/** Is told how a write was settled, and whether it was written on this page. */
type SettledListener = (write: KeptWrite, how: Settled, isOwn: boolean) => void;

/** Everything that is not settled, and how the sending goes. */
export interface KeeperState {
  readonly writes: readonly KeptWrite[];
  /** Done in any tab, in order, and not known to be in what the page was rendered from. */
  readonly lately: readonly DoneWrite[];
  /** The server did not answer, or is in trouble; it is tried again. */
  readonly isAway: boolean;
  /** False until what an earlier visit left was read from the device. */
  readonly isRead: boolean;
}

/** What a page shows of the ledger: now, and when it was opened. */
type PageReach = Readonly<Record<Replaces['as'], Reach>>;

const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 8000;
const AT_ONCE = 50;
/** Characters of what is sent at once, one write at least: photos go one by one. */
const LONGEST_BATCH = 500_000;

export const NOTHING_KEPT: KeeperState = {
  writes: [],
  lately: [],
  isAway: false,
  isRead: false,
};

/**
 * The one way by which anything that was typed or pressed reaches the server: kept on the device
 * first, sent in order by one tab at a time, sent again until it is answered, and kept with the
 * reason where it is refused, until it is put right or dropped by hand.
 */
export class Keeper {
  /** Who is at this screen, by id: the name under what is written. */
  writer: string | null = null;
  private state: KeeperState = NOTHING_KEPT;
  private readonly listeners = new Set<() => void>();
  private readonly onSettled = new Set<SettledListener>();
  private readonly waiting = new Map<string, (how: Settled) => void>();
  private readonly parts: KeeperParts;
  private done: readonly DoneWrite[] = [];
  /** On their way to the device: shown, and not sent yet. */
  private adding: readonly KeptWrite[] = [];
  private isSending = false;
  private isAsked = false;
  private onWay: ReadonlySet<string> = new Set();
  /** What another tab told last: it tells everything twice. */
  private heard: ReadonlySet<string> = new Set();
  /** Jobs of writes that the server could not take just now. */
  private readonly inTrouble = new Set<string | null>();
  /** How far the ledger reached when this tab last wrote at a place. */
  private readonly reached = new Map<string, number>();
  /** Writes that this tab sent again, after what became of them at first was told. */
  private readonly sentAgain = new Set<string>();
  private page: PageReach | null = null;

  constructor(parts: KeeperParts) {
    this.parts = parts;
    parts.crier.listen(({ settled }) => {
      const news = settled.filter(({ write }) => !this.heard.has(write.id));
      for (const { write, how } of news) this.settle(write, how);
      if (settled.length > 0) this.heard = new Set(settled.map(({ write }) => write.id));
      void this.read();
    });
    void this.read().then(() => this.pump());
  }

  readonly current = (): KeeperState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Is told of every write that is settled, by this tab or another. */
  readonly whenSettled = (listener: SettledListener): (() => void) => {
    this.onSettled.add(listener);
    return () => this.onSettled.delete(listener);
  };

  /** Keeps a write and sends it; answers when it is settled, which may be much later. */
  async keep(order: WriteOrder, circumstances: Pick<KeptWrite, 'by' | 'href'>): Promise<Settled> {
    const id = crypto.randomUUID();
    const settled = new Promise<Settled>((resolve) => this.waiting.set(id, resolve));
    const own = {
      ...{ ...order, ...circumstances, ...this.seenOf(order) },
      ...{ id, at: Date.now(), status: WAITING },
    };
    // A write that is on its way may arrive: it is not taken back, its successor goes after it.
    const isInstead = (each: KeptWrite): boolean =>
      each.place === order.place && !(each.status.state === 'waiting' && this.onWay.has(each.id));
    // The page shows it at once; the device has it a moment later, and then it is sent.
    const shown = { ...own, number: ON_ITS_WAY };
    this.adding = [...this.adding, shown];
    this.tell(this.state);
    const { write, dropped } = await this.parts.store.add(own, isInstead);
    this.adding = this.adding.filter((each) => each !== shown);
    this.report(dropped.map((each) => ({ write: each, how: { state: 'dropped' } })));
    this.parts.crier.tell({ settled: [] });
    this.tell({
      ...this.state,
      writes: [...this.state.writes.filter((each) => !dropped.some(isSameAs(each))), write],
    });
    void this.pump();
    return settled;
  }

  /** The id that this browser goes by. */
  device(): Promise<string> {
    return this.parts.store.device();
  }

  /** Takes down what the page that is open shows of the ledger; null where none is open. */
  shows(page: PageReach | null): void {
    this.page = page;
  }

  /** What this tab has seen of what a write replaces. */
  private seenOf({ place, replaces }: WriteOrder): { readonly seen?: Seen } {
    if (!replaces) return {};
    const { room, as } = replaces;
    const upTo = Math.max(this.page?.[as][room] ?? 0, this.reached.get(place) ?? 0);
    return { seen: { upTo, isOwnSeen: as === 'shown' } };
  }

  /** Shows and sends what a page that is gone had on its way to the device. */
  async found(): Promise<void> {
    await this.read();
    this.parts.crier.tell({ settled: [] });
    void this.pump();
  }

  /** Sends what is kept, unless that is done already. */
  async pump(): Promise<void> {
    this.isAsked = true;
    if (this.isSending) return;
    this.isSending = true;
    try {
      while (this.isAsked) {
        this.isAsked = false;
        await this.parts.alone(() => this.drain());
      }
    } finally {
      this.isSending = false;
    }
  }

  /** Sends a refused write again, as it is or over what another wrote, as who is here now. */
  async again(
    write: KeptWrite,
    over: Partial<Pick<KeptWrite, 'input' | 'seen'>> = {},
  ): Promise<void> {
    const by = this.writer ?? write.by;
    this.sentAgain.add(write.id);
    await this.parts.store.change({ ...write, ...over, by, status: WAITING });
    await this.read();
    void this.pump();
  }

  /** Drops a write for good, by hand. */
  async drop(write: KeptWrite): Promise<void> {
    await this.parts.store.remove([write.number]);
    this.report([{ write, how: { state: 'dropped' } }]);
    await this.read();
  }

  private async drain(): Promise<void> {
    let pause = FIRST_PAUSE_MS;
    const device = await this.parts.store.device();
    for (;;) {
      const batch = this.nextBatch(await this.parts.store.all());
      if (batch.length === 0) {
        await this.read(false);
        return;
      }
      this.onWay = new Set(batch.map(({ id }) => id));
      const answers = await this.parts.send(device, batch).catch(() => null);
      const isThrough = answers !== null && (await this.take(batch, answers));
      this.onWay = new Set();
      await this.read(!isThrough);
      if (isThrough) pause = FIRST_PAUSE_MS;
      else {
        await this.parts.pause(pause);
        pause = Math.min(pause * 2, LONGEST_PAUSE_MS);
      }
    }
  }

  /** What is sent next: in order; jobs that the server had trouble with keep no other job back. */
  private nextBatch(writes: readonly KeptWrite[]): KeptWrite[] {
    const waiting = writes.filter(({ status }) => status.state === 'waiting');
    const isLate = ({ jobId }: KeptWrite): boolean => this.inTrouble.has(jobId);
    const ordered = [...waiting.filter((each) => !isLate(each)), ...waiting.filter(isLate)];
    let length = 0;
    return ordered.slice(0, AT_ONCE).filter(({ input }, i) => {
      length += JSON.stringify(input)?.length ?? 0;
      return i === 0 || length <= LONGEST_BATCH;
    });
  }

  /** Writes down what became of a batch; false where the server is in trouble with a part of it. */
  private async take(
    batch: readonly KeptWrite[],
    answers: readonly WriteAnswer[],
  ): Promise<boolean> {
    const settled: { write: KeptWrite; how: Settled }[] = [];
    const over: number[] = [];
    let isThrough = answers.length > 0;
    for (const answer of answers) {
      const write = batch.find(({ id }) => id === answer.id);
      if (!write) continue;
      if (answer.state === 'trouble') {
        isThrough = false;
        this.inTrouble.add(write.jobId);
        continue;
      }
      const { id: _id, ...how } = answer;
      settled.push({ write, how });
      this.inTrouble.delete(write.jobId);
      // What was written at the place since stands for one that was not taken.
      const isOver = how.state === 'done' || (await this.hasNewer(write));
      if (isOver) over.push(write.number);
      else await this.parts.store.change({ ...write, status: how });
    }
    // First done, then taken off the device: at no moment does a page show neither.
    this.report(settled);
    // Pages are shown without the log as well; what is kept on the device would be sent for ever without the rest.
    await this.parts.log.add(settled.flatMap(asDone)).catch(() => undefined);
    await this.parts.store.remove(over);
    // Again, for a page that was opened between the two and saw them as waiting.
    if (settled.length > 0) this.parts.crier.tell({ settled });
    return isThrough;
  }

  private async hasNewer({ place, number }: KeptWrite): Promise<boolean> {
    const all = await this.parts.store.all();
    return all.some((each) => each.place === place && each.number > number);
  }

  private report(settled: Note['settled']): void {
    if (settled.length === 0) return;
    for (const { write, how } of settled) this.settle(write, how);
    this.parts.crier.tell({ settled });
  }

  private settle(write: KeptWrite, how: Settled): void {
    const resolve = this.waiting.get(write.id);
    this.waiting.delete(write.id);
    resolve?.(how);
    const isOwn = this.sentAgain.delete(write.id) || resolve !== undefined;
    if (how.state === 'done' && how.seq !== undefined && isOwn) {
      this.reached.set(write.place, how.seq);
    }
    this.done = [...this.done, ...asDone({ write, how })];
    for (const listener of this.onSettled) listener(write, how, resolve !== undefined);
  }

  /** Whether something was done after a moment (ms): a page that was asked for then may lack it. */
  isDoneSince(moment: number): Promise<boolean> {
    return this.parts.log.isSince(moment);
  }

  /** Lays over a page that this screen held what was done here since then: it lacks it for good. */
  async recall(moment: number): Promise<void> {
    const log = await this.parts.log.since(moment);
    const isHere = new Set(this.done.map(({ id }) => id));
    this.done = [...log.filter(({ id }) => !isHere.has(id)), ...this.done];
    this.tell(this.state);
  }

  /** A page rendered from records that had all these shows them by itself. */
  isShown(had: readonly DoneWrite[]): void {
    if (had.length === 0) return;
    this.done = this.done.filter((each) => !had.includes(each));
    this.tell(this.state);
  }

  /** Reads from the device what is not settled. */
  private async read(isAway = this.state.isAway): Promise<void> {
    const writes = await this.parts.store.all();
    this.tell({ ...this.state, writes, isAway, isRead: true });
  }

  private tell(state: KeeperState): void {
    const writes = [...state.writes.filter(isOnDevice), ...this.adding];
    this.state = { ...state, writes, lately: this.done };
    for (const listener of this.listeners) listener();
  }
}

/** Number of a write that is shown, and on its way to the device. */
const ON_ITS_WAY = Number.MAX_SAFE_INTEGER;

/** Whether the device has a write: from then on nothing that happens to the page loses it. */
export const isOnDevice = ({ number }: Pick<KeptWrite, 'number'>): boolean => number !== ON_ITS_WAY;

const asDone = ({ write, how }: Note['settled'][number]): DoneWrite[] =>
  how.state === 'done' ? [{ ...write, answer: how.value }] : [];

const WAITING = { state: 'waiting' } as const;

const isSameAs =
  (write: KeptWrite) =>
  ({ id }: KeptWrite): boolean =>
    id === write.id;
