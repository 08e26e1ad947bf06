import type { Role } from './columns';
import { RecordingFeed } from './feed';
import { joinParts } from './join';
import { lookAtLog, planOf } from './look';
import type { Recording } from './recording';

/** Reads a whole log that is in memory. Throws UnusableRecording. */
export function readLogText(
  text: string,
  map: Readonly<Partial<Record<Role, string>>> = {},
): Recording {
  const layout = lookAtLog(text, true);
  const feed = new RecordingFeed(planOf(layout, map), layout.delimiter, 1);
  feed.push(text);
  return joinParts([feed.finish()]);
}
