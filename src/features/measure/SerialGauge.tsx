'use client';

import { Button, FormSelect } from 'react-bootstrap';
import { useEffect, useRef, useState } from 'react';
import type { LineFormat, LineReading } from '@/core/gauges';
import { toMicrometres } from '@/core/units';
import { shownText } from '@/core/bench';
import { BAUD_RATES, browserSerial, SerialGaugePort } from '@/ui/gauge/serialPort';

interface SerialGaugeProps {
  readonly name: string;
  readonly format: LineFormat;
  /** A reading that the gauge sent, in its own unit, less what was zeroed here. */
  readonly onReading: (reading: LineReading) => void;
}

/** A gauge on a serial line: its button takes the reading. */
export function SerialGauge({ name, format, onReading }: SerialGaugeProps) {
  const [baudRate, setBaudRate] = useState(9600);
  const [port, setPort] = useState<SerialGaugePort | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const [zero, setZero] = useState(0);
  const last = useRef<LineReading | null>(null);
  const take = useRef(onReading);
  const offset = useRef(zero);
  useEffect(() => {
    take.current = onReading;
    offset.current = zero;
  });
  useEffect(() => () => void port?.close(), [port]);
  const serial = browserSerial();
  if (!serial) {
    return (
      <p className="zh-muted">
        This browser has no serial line. Type the readings, or use a gauge cable that types.
      </p>
    );
  }
  const connect = async (): Promise<void> => {
    try {
      const opened = new SerialGaugePort(await serial.requestPort(), format, baudRate);
      await opened.open((event) => {
        if (event.type === 'trouble') {
          setSays(event.message);
          return;
        }
        last.current = event.reading;
        if (event.reading.held) {
          setSays('The gauge holds its display: the reading was not taken. Release the hold.');
          return;
        }
        const value = event.reading.value - offset.current;
        const text =
          offset.current === 0 ? event.reading.text : shownText(value, event.reading.unit);
        setSays(`${name}: ${text}`);
        take.current({ ...event.reading, value, text });
      });
      setPort(opened);
      setSays('Connected. Its button takes the reading.');
    } catch (error) {
      const isChoice = error instanceof DOMException && error.name === 'NotFoundError';
      setSays(isChoice ? 'No line was chosen.' : 'The line could not be opened. Is it in use?');
    }
  };
  return (
    <section className="zh-card mt-2" aria-label={`Gauge ${name}`}>
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {port ? (
          <>
            <Button
              type="button"
              variant="outline-secondary"
              onClick={() => setZero(last.current?.value ?? 0)}
            >
              Zero here
            </Button>
            <Button type="button" variant="outline-secondary" onClick={() => setPort(null)}>
              Disconnect
            </Button>
          </>
        ) : (
          <>
            <label htmlFor="baud">Speed of the line</label>
            <FormSelect
              id="baud"
              className="w-auto"
              value={baudRate}
              onChange={(event) => setBaudRate(Number(event.target.value))}
            >
              {BAUD_RATES.map((rate) => (
                <option key={rate}>{rate}</option>
              ))}
            </FormSelect>
            <Button type="button" variant="primary" onClick={() => void connect()}>
              Connect {name}
            </Button>
          </>
        )}
        {zero !== 0 && (
          <span className="zh-muted">
            zeroed at {(zero / toMicrometres(1, 'mm')).toFixed(3)} mm
          </span>
        )}
      </div>
      {says && (
        <p className="mb-0 mt-2" role="status">
          {says}
        </p>
      )}
    </section>
  );
}
