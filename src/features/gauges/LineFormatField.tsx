'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { learnLineFormat, readGaugeLine, type LineFormat } from '@/core/gauges';
import { lengthUnitOf } from '@/core/units';
import { BAUD_RATES, browserSerial, readText, type BrowserSerialPort } from '@/ui/gauge/serialPort';
import lists from '@/ui/shell/lists.module.css';

interface LineFormatFieldProps {
  readonly format: LineFormat | null;
  readonly unit: string;
  readonly onLearn: (format: LineFormat | null) => void;
}

const MOST_LINES = 12;

/** Takes lines from the gauge’s cable until it is stopped. */
function useCapture(add: (piece: string) => void) {
  const [stop, setStop] = useState<AbortController | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const start = async (baudRate: number): Promise<void> => {
    const serial = browserSerial();
    if (!serial) return;
    let port: BrowserSerialPort | null = null;
    try {
      port = await serial.requestPort();
      await port.open({ baudRate });
      const controller = new AbortController();
      setStop(controller);
      await readText(port, add, controller.signal);
    } catch {
      setTrouble('No line was chosen, or it could not be opened.');
    } finally {
      setStop(null);
      await port?.close().catch(() => undefined);
    }
  };
  return { start, stop: stop && (() => stop.abort()), trouble };
}

/** Learns how a gauge writes its lines from a few of them, taken from its cable or pasted. */
export function LineFormatField({ format, unit, onLearn }: LineFormatFieldProps) {
  const [lines, setLines] = useState('');
  const [shown, setShown] = useState('');
  const [message, setMessage] = useState<string | null>(null);
  const [baudRate, setBaudRate] = useState(9600);
  const capture = useCapture((piece) => setLines((own) => own + piece));
  const own = lines.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  const learn = (): void => {
    const learned = learnLineFormat(own.slice(-MOST_LINES), lengthUnitOf(unit) ?? 'mm', shown);
    setMessage(learned.ok ? null : learned.message);
    onLearn(learned.ok ? learned.format : null);
  };
  return (
    <details open={format !== null}>
      <summary className="py-2">
        Data cable: {format ? 'its lines are understood' : 'not set up'}
      </summary>
      <p className="zh-muted">
        Take two or more different readings, then type what the display shows for the last one.
      </p>
      {browserSerial() && (
        <div className="d-flex gap-2 mb-2">
          <Form.Select
            aria-label="Speed of the line"
            className="w-auto"
            value={baudRate}
            onChange={(event) => setBaudRate(Number(event.target.value))}
          >
            {BAUD_RATES.map((rate) => (
              <option key={rate}>{rate}</option>
            ))}
          </Form.Select>
          <Button
            type="button"
            variant="outline-secondary"
            onClick={() => (capture.stop ? capture.stop() : void capture.start(baudRate))}
          >
            {capture.stop ? 'Stop listening' : 'Listen to the cable'}
          </Button>
        </div>
      )}
      {capture.trouble && <p className="zh-error">{capture.trouble}</p>}
      <Form.Group controlId="gauge-lines">
        <Form.Label>Lines of the gauge</Form.Label>
        <Form.Control
          as="textarea"
          rows={4}
          value={lines}
          onChange={(event) => setLines(event.target.value)}
        />
      </Form.Group>
      <Form.Group controlId="gauge-shown" className="my-2">
        <Form.Label>The display shows, for the last line</Form.Label>
        <Form.Control value={shown} onChange={(event) => setShown(event.target.value)} />
      </Form.Group>
      <Button type="button" variant="outline-secondary" onClick={learn}>
        Learn the format
      </Button>
      {message && (
        <p className="zh-error" role="alert">
          {message}
        </p>
      )}
      {format && own.length > 0 && (
        <ul className={`${lists.list} mt-2`}>
          {own.slice(-MOST_LINES).map((line, i) => {
            const read = readGaugeLine(format, line);
            return (
              <li key={i}>
                <span className="zh-muted">{line}</span> reads{' '}
                {read.ok ? (
                  <strong className="zh-figure">
                    {read.reading.text} {read.reading.unit}
                  </strong>
                ) : (
                  <span className="zh-error">{read.message}</span>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </details>
  );
}
