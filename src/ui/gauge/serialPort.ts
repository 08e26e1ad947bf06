import { LineFeed, type GaugeListener, type GaugePort, type LineFormat } from '@/core/gauges';

/** The parts of a browser’s serial port that are used; not every browser has one. */
export interface BrowserSerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly open: (options: { baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
}
interface BrowserSerial {
  readonly requestPort: () => Promise<BrowserSerialPort>;
}

/** Speeds that gauge cables use, in baud. */
export const BAUD_RATES = [1200, 2400, 4800, 9600, 19_200, 38_400, 115_200] as const;

/** The browser’s serial lines, or null where it has none. */
export const browserSerial = (): BrowserSerial | null =>
  typeof navigator !== 'undefined' && 'serial' in navigator
    ? (navigator.serial as BrowserSerial)
    : null;

/** Reads text from an open line until it is closed; pieces as they come. */
export async function readText(
  port: BrowserSerialPort,
  onPiece: (piece: string) => void,
  signal: AbortSignal,
): Promise<void> {
  const reader = port.readable?.getReader();
  if (!reader) return;
  const decoder = new TextDecoder();
  const stop = (): void => void reader.cancel();
  signal.addEventListener('abort', stop);
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      onPiece(decoder.decode(value, { stream: true }));
    }
  } finally {
    signal.removeEventListener('abort', stop);
    reader.releaseLock();
  }
}

/** A gauge on a serial line, read by the format that was learned: each line is a reading. */
export class SerialGaugePort implements GaugePort {
  private readonly stop = new AbortController();
  private reading: Promise<void> = Promise.resolve();

  constructor(
    private readonly port: BrowserSerialPort,
    private readonly format: LineFormat,
    private readonly baudRate: number,
  ) {}

  async open(listener: GaugeListener): Promise<void> {
    await this.port.open({ baudRate: this.baudRate });
    const feed = new LineFeed(this.format, listener, 'reading');
    this.reading = readText(this.port, (piece) => feed.push(piece), this.stop.signal).catch(() => {
      listener({ type: 'trouble', message: 'The cable was pulled or the gauge went off.' });
    });
  }

  async close(): Promise<void> {
    this.stop.abort();
    await this.reading;
    await this.port.close();
  }
}
