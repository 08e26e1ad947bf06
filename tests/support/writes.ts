import { POST } from '@/app/api/v1/writes/route';
import type { WriteResult } from '@/server/writes/takeWrites';

export const DEVICE = '00000000-0000-4000-8000-0000000000d1';
let last = 0;

/** One write as a device sends it, numbered after the one before. */
export const numbered = (
  name: string,
  input: unknown,
  {
    by = null,
    place,
    seen = Number.MAX_SAFE_INTEGER,
  }: {
    readonly by?: string | null;
    readonly place?: string;
    /** The last line of the ledger that its screen showed. */
    readonly seen?: number;
  } = {},
) => {
  last += 1;
  return {
    ...{ id: crypto.randomUUID(), name, input, by, number: last },
    // A test has seen everything, unless it says otherwise.
    seen: { upTo: seen, isOwnSeen: false },
    place: place ?? `test ${last}`,
  };
};

/** Sends writes as a device does. */
export async function sendWrites(
  writes: readonly unknown[],
  device = DEVICE,
): Promise<readonly WriteResult[]> {
  const response = await POST(
    new Request('http://127.0.0.1/api/v1/writes', {
      method: 'POST',
      body: JSON.stringify({ device, writes }),
    }),
  );
  const { results } = (await response.json()) as { results: readonly WriteResult[] };
  return results;
}

/** Sends one write by itself. */
export async function sendWrite(
  name: string,
  input: unknown,
  by: string | null = null,
): Promise<WriteResult> {
  const [result] = await sendWrites([numbered(name, input, { by })]);
  if (!result) throw new Error('The write was not answered');
  return result;
}
