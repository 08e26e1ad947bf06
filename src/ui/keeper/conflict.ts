import type { KeptWrite } from './types';

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

/** What stands where a write was to go, as the server said it; null where nothing does. */
export function theirsOf({ status }: KeptWrite): Record<string, unknown> | null {
  if (status.state !== 'conflict' || !isRecord(status.value)) return null;
  const { theirs, part } = status.value;
  const found = theirs ?? part;
  return isRecord(found) ? found : null;
}

/** The input of a write that goes over what another wrote, which its writer has seen now. */
export function inputOverTheirs(write: KeptWrite): unknown {
  const theirs = theirsOf(write);
  const input = isRecord(write.input) ? write.input : {};
  switch (write.name) {
    case 'check':
      return { ...input, seen: theirs?.stamp ?? null };
    case 'reading':
      return { ...input, was: theirs?.text ?? null };
    case 'part-change': {
      const lines = isRecord(input.change) ? Object.keys(input.change) : [];
      return { ...input, was: Object.fromEntries(lines.map((line) => [line, theirs?.[line]])) };
    }
    default:
      return input;
  }
}
