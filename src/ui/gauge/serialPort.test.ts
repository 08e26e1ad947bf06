import type { GaugeEvent } from '@/core/gauges';
import { browserSerial, SerialGaugePort, type BrowserSerialPort } from './serialPort';

const format = { figure: 0, figures: 1, unit: 'mm', tens: 0, turned: false } as const;

/** A line that brings the pieces one by one, and then ends as told. */
function line(pieces: readonly string[], end: 'stays' | 'pulled'): BrowserSerialPort {
  const left = [...pieces];
  return {
    readable: new ReadableStream<Uint8Array>({
      pull(controller) {
        const piece = left.shift();
        if (piece !== undefined) controller.enqueue(new TextEncoder().encode(piece));
        else if (end === 'pulled') controller.error(new Error('pulled'));
      },
    }),
    open: () => Promise.resolve(),
    close: () => Promise.resolve(),
  };
}

async function heard(port: BrowserSerialPort): Promise<GaugeEvent[]> {
  const events: GaugeEvent[] = [];
  const gauge = new SerialGaugePort(port, format, 9600);
  await gauge.open((event) => events.push(event));
  await new Promise((resolve) => setTimeout(resolve, 20));
  await gauge.close();
  return events;
}

test('each line of a serial gauge is a reading, however its pieces are cut', async () => {
  const events = await heard(line(['0.0', '12\n0.020', '\n'], 'stays'));
  expect(events.map((event) => event.type === 'reading' && event.reading.text)).toEqual([
    '0.012',
    '0.020',
  ]);
});

test('a pulled cable is told, and what came before is kept', async () => {
  const events = await heard(line(['0.012\n'], 'pulled'));
  expect(events.map(({ type }) => type)).toEqual(['reading', 'trouble']);
});

test('a browser without serial lines has none', () => {
  expect(browserSerial()).toBeNull();
});
