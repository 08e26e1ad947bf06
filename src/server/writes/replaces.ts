import 'server-only';
import { z } from 'zod';
import { idSchema, PROCEDURE, type OutgoingWrite } from '../../core/contracts';
import { ownerOf } from '../../core/procedure';
import type { Database } from '../../db/client';
import {
  findJob,
  findSet,
  linesSince,
  lockRoom,
  reachOf,
  RULES_SETTING,
  SHOP_SETTING,
  type LedgerRoom,
  type LedgerRow,
} from '../../db/repositories';
import { OVERRIDES } from '../nose/nose';
import { PROGRAMMES } from '../rebuild/bedding';
import { sayChange } from '../records/sayLedger';
import { POSITIONS, TORQUE } from '../shop/settings';

/** What a write replaces: lines of the ledger in a room, those that are about the same thing. */
interface Replaced {
  readonly room: LedgerRoom;
  readonly isAbout: (line: LedgerRow) => boolean;
}

/** Answers with what a write of an input replaces; null where it is new, or cannot be read. */
type Replaces = (tx: Database, input: unknown) => Promise<Replaced | null> | Replaced | null;

type Row = Readonly<Record<string, unknown>>;
const rowOf = (document: unknown): Row =>
  typeof document === 'object' && document !== null ? (document as Row) : {};

/** A column of the row that a line is about. */
const columnOf = ({ before, after }: LedgerRow, name: string): unknown =>
  rowOf(after)[name] ?? rowOf(before)[name];

/** Whether a line changed one part of a setting. */
const changesPart = ({ before, after }: LedgerRow, part: string): boolean => {
  const partOf = (document: unknown): unknown => rowOf(rowOf(document).value)[part];
  return JSON.stringify(partOf(before)) !== JSON.stringify(partOf(after));
};

const read =
  <Schema extends z.ZodType>(
    schema: Schema,
    then: (input: z.output<Schema>, tx: Database) => Promise<Replaced | null> | Replaced | null,
  ): Replaces =>
  (tx, input) => {
    const parsed = schema.safeParse(input);
    return parsed.success ? then(parsed.data, tx) : null;
  };

const SHOP: LedgerRoom = { of: 'shop' };
const jobRoom = (id: string): LedgerRoom => ({ of: 'job', id });

const withId = z.looseObject({ id: idSchema });
const withJobId = z.looseObject({ jobId: idSchema });

const setting = (key: string): Replaces => {
  const replaced: Replaced = {
    room: SHOP,
    isAbout: ({ what, place }) => what === 'setting' && place === key,
  };
  return () => replaced;
};

/** A row of the shop’s own, by its id. */
const shopRow = (sort: string): Replaces =>
  read(withId, ({ id }) => ({
    room: SHOP,
    isAbout: (line) => line.what === sort && columnOf(line, 'id') === id,
  }));

/** Whether a line is of the look that an answer of the nose is written as. */
const isLookFor = (line: LedgerRow, code: string, corner: string | null): boolean =>
  columnOf(line, 'kind') === 'look' &&
  columnOf(line, 'place') === corner &&
  columnOf(line, 'item') === ownerOf(PROCEDURE, code)?.code;

/** Decisions of some corners of a job. */
const decided = (jobId: string, corners: readonly string[]): Replaced => ({
  room: jobRoom(jobId),
  isAbout: (line) => line.what === 'decision' && corners.includes(String(columnOf(line, 'corner'))),
});

const ofVehicleRow = (name: 'tyre' | 'bleed_order'): Replaces =>
  read(withJobId, async ({ jobId }, tx) => {
    const job = await findJob(tx, jobId);
    return (
      job && {
        room: { of: 'vehicle', id: job.vehicle.id },
        isAbout: ({ what, before, after }) =>
          what === 'vehicle' &&
          JSON.stringify(rowOf(before)[name]) !== JSON.stringify(rowOf(after)[name]),
      }
    );
  });

/** A sheet of a model: what it is of, and its figures. */
const ofSheet: Replaces = read(withId, ({ id }) => ({
  room: SHOP,
  isAbout: (line) => line.what === 'sheet' && columnOf(line, 'sheet_id') === id,
}));

/** What writes replace, by the use case that they ask for: what is not named here replaces nothing. */
const REPLACES: Readonly<Record<string, Replaces>> = {
  vehicle: read(withId, ({ id }) => ({
    room: { of: 'vehicle', id },
    isAbout: () => true,
  })),
  owner: read(z.looseObject({ vehicleId: idSchema }), ({ vehicleId }) => ({
    room: { of: 'vehicle', id: vehicleId },
    isAbout: ({ what }) => what === 'owner',
  })),
  tyre: ofVehicleRow('tyre'),
  'bleed-order': ofVehicleRow('bleed_order'),
  complaint: read(withJobId, ({ jobId }) => ({
    room: jobRoom(jobId),
    isAbout: ({ what }) => what === 'job' || what === 'corner',
  })),
  finding: read(
    withJobId.extend({ code: z.string(), corner: z.string().nullable() }),
    ({ jobId, code, corner }) => ({
      room: jobRoom(jobId),
      isAbout: (line) =>
        line.what === 'check'
          ? isLookFor(line, code, corner)
          : line.what === 'finding' &&
            columnOf(line, 'code') === code &&
            columnOf(line, 'corner') === (corner ?? ''),
    }),
  ),
  decide: read(withJobId.extend({ corner: z.string() }), ({ jobId, corner }) =>
    decided(jobId, [corner]),
  ),
  undecide: read(withJobId.extend({ corner: z.string() }), ({ jobId, corner }) =>
    decided(jobId, [corner]),
  ),
  'decide-pair': read(
    withJobId.extend({
      left: z.looseObject({ corner: z.string() }),
      right: z.looseObject({ corner: z.string() }),
    }),
    ({ jobId, left, right }) => decided(jobId, [left.corner, right.corner]),
  ),
  'set-details': read(z.looseObject({ setId: idSchema }), async ({ setId }, tx) => {
    const set = await findSet(tx, setId);
    return (
      set && {
        room: jobRoom(set.jobId),
        isAbout: (line) => line.what === 'set' && columnOf(line, 'id') === setId,
      }
    );
  }),
  'torque-figure': read(
    withJobId.extend({ axle: z.string(), fastener: z.string() }),
    async ({ jobId, axle, fastener }, tx) => {
      const vehicle = (await findJob(tx, jobId))?.vehicle;
      return vehicle
        ? {
            room: SHOP,
            isAbout: ({ what, place }) =>
              what === 'torque' &&
              place === `${vehicle.make} ${vehicle.model}, ${axle} ${fastener}`,
          }
        : null;
    },
  ),
  sheet: ofSheet,
  'sheet-drop': ofSheet,
  gauge: shopRow('gauge'),
  'gauge-retire': shopRow('gauge'),
  'person-change': shopRow('person'),
  'person-remove': shopRow('person'),
  prices: setting(SHOP_SETTING),
  knowledge: setting(OVERRIDES),
  'torque-unit': setting(TORQUE),
  positions: setting(POSITIONS),
  rule: read(z.looseObject({ rule: z.string() }), ({ rule }) => ({
    room: SHOP,
    isAbout: (line) =>
      line.what === 'setting' && line.place === RULES_SETTING && changesPart(line, rule),
  })),
  programme: read(z.looseObject({ school: z.string() }), ({ school }) => ({
    room: SHOP,
    isAbout: (line) =>
      line.what === 'setting' && line.place === PROGRAMMES && changesPart(line, school),
  })),
};

/** What stands where a write was to go, which its writer has not seen. */
interface Unseen {
  readonly kept: false;
  readonly theirs: { readonly by: string | null; readonly said: string; readonly seq: number };
}

/** The use cases that replace something, by name. */
export const REPLACING = Object.keys(REPLACES);

const MOST_LINES = 500;
const MOST_SAID = 3;

/** What others changed, in a sentence: the latest few. */
function sayUnseen(lines: readonly LedgerRow[]): string {
  const said = lines.slice(0, MOST_SAID).map((line) => sayChange(line));
  const more = lines.length - said.length;
  return more > 0 ? `${said.join('; ')}; and ${more} more` : said.join('; ');
}

type Seen = NonNullable<OutgoingWrite['seen']>;

/** What a write replaces, held until its transaction ends. */
export interface Held {
  /** What was written there that the writer has not seen, or null. */
  readonly unseen: Unseen | null;
  /** How far the ledger reaches there by now. */
  readonly reach: () => Promise<number>;
}

const NOT_SEEN: Seen = { upTo: 0, isOwnSeen: false };

/**
 * Holds what a write replaces until the transaction ends, and tells what was written there after
 * the line that its writer has seen. Null for writes that replace nothing.
 */
export async function holdReplaced(
  tx: Database,
  device: string,
  { name, input, seen = NOT_SEEN }: Pick<OutgoingWrite, 'name' | 'input' | 'seen'>,
): Promise<Held | null> {
  const replaces = Object.hasOwn(REPLACES, name) ? REPLACES[name] : undefined;
  const replaced = (await replaces?.(tx, input)) ?? null;
  if (!replaced) return null;
  const { room, isAbout } = replaced;
  await lockRoom(tx, room);
  const since = await linesSince(tx, room, { seq: seen.upTo, most: MOST_LINES });
  const others = since.filter(
    (line) => isAbout(line) && !(seen.isOwnSeen && line.device === device),
  );
  const last = others[0];
  return {
    unseen: last
      ? { kept: false, theirs: { by: last.who, said: sayUnseen(others), seq: last.seq } }
      : null,
    reach: () => reachOf(tx, room),
  };
}
