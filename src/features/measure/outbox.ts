/** One reading on its way to the server: as typed, with the unit of a bare number. */
export interface OutgoingReading {
  readonly lap: number;
  readonly position: number;
  readonly text: string;
  readonly unit: string;
}

export type OutboxStatus =
  | { readonly state: 'saved' }
  | { readonly state: 'saving'; readonly count: number }
  | { readonly state: 'waiting'; readonly count: number }
  | { readonly state: 'refused'; readonly message: string };

/** Where readings wait until the server has answered: survives a reload, a crash, a closed lid. */
export interface OutboxStore {
  readonly getItem: (key: string) => string | null;
  readonly setItem: (key: string, value: string) => void;
  readonly removeItem: (key: string) => void;
}

export type SendReadings = (
  setId: string,
  readings: readonly OutgoingReading[],
) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;

const keyOf = (setId: string): string => `zesty-hound-outbox:${setId}`;
const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 10_000;

/**
 * Sends readings in the order they were typed and keeps each until it is answered for.
 * A server that does not answer is tried again with growing pauses; one that refuses is
 * reported. A later reading of the same place replaces one that still waits.
 */
export class ReadingOutbox {
  private pending: OutgoingReading[];
  /** Places this outbox answers for; others in the store are another tab's. */
  private readonly own = new Set<string>();
  private sending = false;
  private wait = FIRST_WAIT_MS;
  private current: OutboxStatus = { state: 'saved' };
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly setId: string,
    private readonly store: OutboxStore,
    private readonly send: SendReadings,
  ) {
    this.pending = this.load();
    for (const reading of this.pending) this.own.add(placeOf(reading));
    if (this.pending.length > 0) void this.flush();
  }

  /** Readings that a former visit could not send. */
  get waiting(): readonly OutgoingReading[] {
    return this.pending;
  }

  readonly status = (): OutboxStatus => this.current;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Keeps a reading and sends it. */
  put(reading: OutgoingReading): void {
    const place = placeOf(reading);
    this.own.add(place);
    this.pending = [...this.pending.filter((each) => placeOf(each) !== place), reading];
    this.keep();
    void this.flush();
  }

  private load(): OutgoingReading[] {
    try {
      return JSON.parse(this.store.getItem(keyOf(this.setId)) ?? '[]') as OutgoingReading[];
    } catch {
      return [];
    }
  }

  private keep(): void {
    try {
      const others = this.load().filter((each) => !this.own.has(placeOf(each)));
      const kept = [...others, ...this.pending];
      if (kept.length === 0) this.store.removeItem(keyOf(this.setId));
      else this.store.setItem(keyOf(this.setId), JSON.stringify(kept));
    } catch {
      // A full or forbidden store costs the safety net only; the reading is still sent.
    }
  }

  private tell(status: OutboxStatus): void {
    this.current = status;
    for (const listener of this.listeners) listener();
  }

  private async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    while (this.pending.length > 0) {
      const batch = this.pending;
      if (this.current.state !== 'waiting') this.tell({ state: 'saving', count: batch.length });
      try {
        const answer = await this.send(this.setId, batch);
        this.pending = this.pending.filter((each) => !batch.includes(each));
        this.keep();
        this.wait = FIRST_WAIT_MS;
        if (!answer.ok) {
          this.tell({ state: 'refused', message: answer.message });
          break;
        }
        this.tell({ state: 'saved' });
      } catch {
        this.tell({ state: 'waiting', count: this.pending.length });
        await new Promise((resolve) => setTimeout(resolve, this.wait));
        this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS);
      }
    }
    this.sending = false;
  }
}

const placeOf = ({ lap, position }: OutgoingReading): string => `${lap}.${position}`;

/** Sends to this application's server; throws when it does not answer. */
export const sendToServer: SendReadings = async (setId, readings) => {
  const response = await fetch(`/api/v1/sets/${setId}/readings`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ readings }),
    keepalive: true,
  });
  if (response.ok) return { ok: true };
  if (response.status >= 500) throw new Error('The server did not take the readings');
  const { error } = (await response.json()) as { error: { message: string } };
  return { ok: false, message: error.message };
};
