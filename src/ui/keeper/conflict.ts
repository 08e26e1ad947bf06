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

const writerOf = ({ by }: Record<string, unknown>): string =>
  typeof by === 'string' ? by : 'Another screen';

/** What was changed meanwhile, as the server says it of what has a history; null where it does not. */
export function saidOf(value: unknown): string | null {
  const theirs = isRecord(value) && isRecord(value.theirs) ? value.theirs : null;
  return theirs && typeof theirs.said === 'string'
    ? `${writerOf(theirs)} changed this meanwhile: ${theirs.said}.`
    : null;
}

/** A written value in plain words, where the page that has its names is not open. */
export function sayValue(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (Array.isArray(value)) return value.length === 0 ? 'sound' : value.map(sayValue).join(', ');
  if (!isRecord(value)) return String(value).replace(/-/g, ' ');
  if (Array.isArray(value.pulls)) return `${value.pulls.length} pulls`;
  return Object.values(value).map(sayValue).join(', ');
}

/** What another screen wrote, in words, before it is written over or left. */
export function sayTheirs(write: KeptWrite): string {
  const theirs = theirsOf(write);
  if (!theirs) return 'Another screen took back what stood there.';
  const said = write.status.state === 'conflict' ? saidOf(write.status.value) : null;
  if (said !== null) return said;
  const by = writerOf(theirs);
  const change = isRecord(write.input) ? write.input.change : null;
  const lines = isRecord(change) ? Object.keys(change).map((line) => theirs[line]) : null;
  return `${by} wrote there meanwhile: ${sayValue(lines ?? theirs.text ?? theirs.value)}.`;
}

/** What a write needs to go over what another wrote, which its writer has seen now. */
export function overTheirs(write: KeptWrite): Partial<Pick<KeptWrite, 'input' | 'seen'>> {
  const { said, seq } = theirsOf(write) ?? {};
  if (typeof said === 'string' && typeof seq === 'number') {
    return { seen: { upTo: seq, isOwnSeen: true } };
  }
  return { input: inputOverTheirs(write) };
}

function inputOverTheirs(write: KeptWrite): unknown {
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
