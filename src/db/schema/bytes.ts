import { customType } from 'drizzle-orm/pg-core';

/** A column of bytes. */
export const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({
  dataType: () => 'bytea',
  toDriver: (value) => value,
  fromDriver: (value) => new Uint8Array(value),
});
