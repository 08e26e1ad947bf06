/** Why a write was refused, or what stands where it was to go. */
export type WriteState =
  | { readonly state: 'waiting' }
  | {
      readonly state: 'refused';
      readonly message: string;
      readonly fields: Readonly<Record<string, string>>;
      readonly code: string;
    }
  | { readonly state: 'conflict'; readonly value: unknown };

/** What is asked of the keeper: one use case with its input. */
export interface WriteOrder {
  /** The use case, by its name on the server. */
  readonly name: string;
  readonly input: unknown;
  /** What it writes; a later write of the same place stands for one that still waits. */
  readonly place: string;
  /** The job that it belongs to, or null for one of the shop. */
  readonly jobId: string | null;
  /** What was written, in words, for the list of what is not on the server yet. */
  readonly about: string;
  /**
   * When the page that it is written on is loaded anew: by the keeper once it is done (left out),
   * by the writer itself, or not before another page is opened, since it shows it already.
   */
  readonly refresh?: 'by-writer' | 'later';
  /** What it replaces, where it does: what is shown of it is told to the server. */
  readonly replaces?: Replaces;
}

/** Where the ledger keeps what a screen shows: in its job, its vehicle, or the shop. */
export type Room = 'job' | 'vehicle' | 'shop';

/** The last line of each room that a page shows; rooms that it does not show are left out. */
export type Reach = Readonly<Partial<Record<Room, number>>>;

export interface Replaces {
  readonly room: Room;
  /**
   * `shown`: the page shows what stands there, and follows it. `typed`: fields that were filled
   * when the page was opened, and keep what they held then.
   */
  readonly as: 'shown' | 'typed';
}

/** What the writer of a write has seen of the ledger. */
export interface Seen {
  readonly upTo: number;
  readonly isOwnSeen: boolean;
}

/** A write as it is kept on this device until it is settled. */
export interface KeptWrite extends WriteOrder {
  /** Its order on this device; its number on the server. */
  readonly number: number;
  readonly id: string;
  /** Who was at the screen. */
  readonly by: string | null;
  /** The page that it was written on. */
  readonly href: string;
  /** When, in ms. */
  readonly at: number;
  readonly status: WriteState;
  readonly seen?: Seen;
}

/** A write that is done, with what the server answered. */
export interface DoneWrite extends KeptWrite {
  readonly answer: unknown;
}

/** How a write ended, or where it stands. */
export type Settled =
  | { readonly state: 'done'; readonly value: unknown; readonly seq?: number }
  | Exclude<WriteState, { readonly state: 'waiting' }>
  /** Taken by hand from the list, or another write of the same place stands for it. */
  | { readonly state: 'dropped' };

/** What the server answers for one write. */
export type WriteAnswer = { readonly id: string } & (
  | Exclude<Settled, { readonly state: 'dropped' }>
  | { readonly state: 'trouble'; readonly message: string }
);

/** Sends writes in order; throws where the server does not answer. */
export type SendWrites = (
  device: string,
  writes: readonly KeptWrite[],
) => Promise<readonly WriteAnswer[]>;

/** Where writes are kept on the device. */
export interface WriteStore {
  /** This device’s own name, made once. */
  readonly device: () => Promise<string>;
  /** Every write that is not settled, in order. */
  readonly all: () => Promise<readonly KeptWrite[]>;
  /** Keeps a write, and drops those named that it stands for; answers once it is on the device. */
  readonly add: (
    write: Omit<KeptWrite, 'number'>,
    instead: (waiting: KeptWrite) => boolean,
  ) => Promise<{ readonly write: KeptWrite; readonly dropped: readonly KeptWrite[] }>;
  readonly change: (write: KeptWrite) => Promise<void>;
  readonly remove: (numbers: readonly number[]) => Promise<void>;
}

/** What was done lately, by any tab: a page may have been rendered before it. */
export interface DoneLog {
  readonly add: (writes: readonly DoneWrite[]) => Promise<void>;
  /** Whether anything was done at a moment (ms) or later. */
  readonly isSince: (moment: number) => Promise<boolean>;
  /** What was done at a moment (ms) or later, in order, as far as it can be laid over a page. */
  readonly since: (moment: number) => Promise<readonly DoneWrite[]>;
}
