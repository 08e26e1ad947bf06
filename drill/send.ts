import http from 'node:http';
import https from 'node:https';
import type { Sent } from './requests';

export interface Answered {
  readonly status: number;
  readonly body: string;
  readonly ms: number;
}

const KEPT = { keepAlive: true, maxSockets: 64 } as const;
const PLAIN = { request: http.request, agent: new http.Agent(KEPT) };
// The server’s certificate is its own; everything here stays on this machine.
const SECURE = {
  request: https.request,
  agent: new https.Agent({ ...KEPT, rejectUnauthorized: false }),
};

/** Sends a request as it is, hostile or not; status 0 where the server closed without an answer. */
export const send = (
  port: number,
  sent: Omit<Sent, 'about'>,
  isSecure = false,
  tries = 2,
): Promise<Answered> =>
  new Promise<Answered>((resolve) => {
    const { request: ask, agent } = isSecure ? SECURE : PLAIN;
    const { method, path, headers, body } = sent;
    const began = performance.now();
    const done = (status: number, text: string): void =>
      resolve({ status, body: text, ms: performance.now() - began });
    const request = ask(
      {
        ...{ host: '127.0.0.1', port, method, path, agent, timeout: 60_000 },
        headers: {
          ...Object.fromEntries(
            Object.entries(headers).map(([name, value]) => [
              name,
              value.replace(/[^\x20-\x7e]/g, ''),
            ]),
          ),
          ...(body === null ? {} : { 'content-length': String(Buffer.byteLength(body)) }),
        },
      },
      (response) => {
        const parts: Buffer[] = [];
        const isStream = response.headers['content-type']?.startsWith('text/event-stream');
        response.on('data', (part: Buffer) => {
          parts.push(part);
          // A stream of events stays open: its first line is its answer.
          if (!isStream) return;
          done(response.statusCode ?? 0, part.toString());
          request.destroy();
        });
        response.on('end', () => done(response.statusCode ?? 0, Buffer.concat(parts).toString()));
        response.on('error', () => done(0, ''));
      },
    );
    request.on('error', (error: NodeJS.ErrnoException) => {
      // A kept connection may be closed in the very moment in which it is used again.
      if (request.reusedSocket && error.code === 'ECONNRESET' && tries > 0) {
        void send(port, sent, isSecure, tries - 1).then(resolve);
      } else done(0, error.message);
    });
    request.on('timeout', () => request.destroy(new Error('no answer in a minute')));
    request.end(body ?? undefined);
  });
