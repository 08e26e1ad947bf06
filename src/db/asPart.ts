import { is } from 'drizzle-orm';
import { PgTransaction } from 'drizzle-orm/pg-core';
import type { Database } from './client';

const isUnderWay = (db: Database): boolean => is(db, PgTransaction);

/**
 * What is to be done whole or not at all: as a part of the transaction that is under way, which is undone where this
 * fails, or as one of its own.
 */
export const asPart = <Value>(
  db: Database,
  run: (tx: Database) => Promise<Value>,
): Promise<Value> => (isUnderWay(db) ? run(db) : db.transaction(run));
