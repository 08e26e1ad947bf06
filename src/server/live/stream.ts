import 'server-only';
import { onNews, type Channel } from '../database';
import { hereSchema, type HereSaid } from './here';

const BEAT_MS = 15_000;
/** A stream ends after so long and is asked for anew: whoever may not come in any more hears no more. */
const LONGEST_MS = 5 * 60_000;

/** What is heard: that a job was written to, and by which browser; or that something may have been missed. */
type Heard =
  | { readonly is: 'written'; readonly job: string; readonly by: string }
  | { readonly is: 'missed' }
  | ({ readonly is: 'at' } & HereSaid)
  | { readonly is: 'here' };

/** What the database says, read; null where that is nothing of ours. */
function readPayload(channel: Channel, payload: string): Heard | null {
  if (payload === '') return { is: 'missed' };
  if (channel === 'zh_here') {
    const said = hereSchema.safeParse(JSON.parse(payload));
    return said.success ? { is: 'at', ...said.data } : null;
  }
  const [job = '', by = ''] = payload.split(' ');
  return { is: 'written', job, by };
}

/**
 * Server-sent events: a line a write, of which job and by which browser, and nothing of what was
 * written. Ends when the one who listens goes.
 */
export function liveStream(signal: AbortSignal): ReadableStream<Uint8Array> {
  const text = new TextEncoder();
  let end = (): void => undefined;
  return new ReadableStream<Uint8Array>({
    start: async (controller) => {
      const send = (heard: Heard): void =>
        controller.enqueue(text.encode(`data: ${JSON.stringify(heard)}\n\n`));
      let deafen = (): void => undefined;
      let isOver = false;
      end = () => {
        if (isOver) return;
        isOver = true;
        deafen();
        clearInterval(beat);
        clearTimeout(over);
        signal.removeEventListener('abort', end);
        controller.close();
      };
      const beat = setInterval(() => send({ is: 'here' }), BEAT_MS);
      const over = setTimeout(end, LONGEST_MS);
      signal.addEventListener('abort', end);
      const stop = await onNews((channel, payload) => {
        const heard = readPayload(channel, payload);
        if (heard) send(heard);
      });
      if (isOver) stop();
      else deafen = stop;
      if (!isOver) send({ is: 'here' });
    },
    cancel: () => end(),
  });
}
