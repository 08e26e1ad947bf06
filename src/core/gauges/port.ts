import { readGaugeLine, type LineFormat, type LineReading } from './lineFormat';

/** What a gauge tells: what it shows now, a reading that its own button sent, or trouble. */
export type GaugeEvent =
  | { readonly type: 'shows'; readonly reading: LineReading }
  | { readonly type: 'reading'; readonly reading: LineReading }
  | { readonly type: 'trouble'; readonly message: string };

export type GaugeListener = (event: GaugeEvent) => void;

/**
 * One way for readings to come in, whatever gauge sends them: typed figures, a serial line or
 * a virtual gauge. A port is opened once, tells its listener, and is closed.
 */
export interface GaugePort {
  readonly open: (listener: GaugeListener) => Promise<void>;
  readonly close: () => Promise<void>;
}

/**
 * Turns pieces of text, cut anywhere, into gauge events: one line, one reading. A gauge that
 * sends without being asked shows; one that sends at its button reads.
 */
export class LineFeed {
  private rest = '';

  constructor(
    private readonly format: LineFormat,
    private readonly listener: GaugeListener,
    private readonly type: 'shows' | 'reading',
  ) {}

  /** Takes the next piece of text. */
  push(piece: string): void {
    const lines = (this.rest + piece).split(/\r\n|\r|\n/);
    this.rest = (lines.pop() ?? '').slice(-MOST_REST);
    for (const line of lines) {
      if (line.trim() === '') continue;
      const read = readGaugeLine(this.format, line);
      this.listener(
        read.ok
          ? { type: this.type, reading: read.reading }
          : { type: 'trouble', message: read.message },
      );
    }
  }
}

/** A line that never ends is cut: it is noise. */
const MOST_REST = 1000;
