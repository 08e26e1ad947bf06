import type { ClientConfig } from 'pg';

const AGAIN_AFTER_MS = 1000;

/**
 * Listens to what a PostgreSQL server is told on a channel, by a connection of its own that is made
 * anew whenever it is cut; `heard` is then called with nothing, since something may have been missed.
 * Answers what ends it.
 */
export function listenToServer(
  config: ClientConfig,
  channel: string,
  heard: (payload: string) => void,
): () => Promise<void> {
  let end: () => Promise<void> = () => Promise.resolve();
  let isOver = false;
  const connect = async (isAgain: boolean): Promise<void> => {
    if (isOver) return;
    const { Client } = await import('pg');
    const client = new Client(config);
    let isCut = false;
    const again = (): void => {
      if (isCut || isOver) return;
      isCut = true;
      void client.end().catch(() => undefined);
      setTimeout(() => void connect(true), AGAIN_AFTER_MS).unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ payload = '' }) => heard(payload));
    end = () => client.end().catch(() => undefined);
    try {
      await client.connect();
      await client.query(`listen ${client.escapeIdentifier(channel)}`);
      if (isAgain) heard('');
    } catch {
      again();
    }
  };
  void connect(false);
  return async () => {
    isOver = true;
    await end();
  };
}
