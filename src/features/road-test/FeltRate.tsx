'use client';

import { Button } from 'react-bootstrap';
import { useState } from 'react';
import { matchOrder, rateOfTaps } from '@/core/roadtest';
import { toMetresPerSecond, type SpeedUnit } from '@/core/units';
import { TextField, useSend } from '@/ui/field';
import { figureIn } from './model';
import { writeFeltRate } from './writes';
import styles from './road-test.module.css';
import asking from '@/ui/shell/asking.module.css';

interface FeltRateProps {
  readonly jobId: string;
  readonly diameter: number;
  readonly finalDrive: number | null;
  readonly unit: SpeedUnit;
}

const SAY = {
  '1': 'Once a turn of the wheel.',
  '2': 'Twice a turn of the wheel.',
  '3': 'Three times a turn of the wheel.',
  propshaft: 'The rate of the propshaft.',
  none: 'It matches no order of the wheel.',
} as const;

/** A rate that was felt, tapped in time or counted, matched to what turns. */
export function FeltRate({ jobId, diameter, finalDrive, unit }: FeltRateProps) {
  const [taps, setTaps] = useState<readonly number[]>([]);
  const [typed, setTyped] = useState('');
  const [speed, setSpeed] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const { send, busy, trouble } = useSend(writeFeltRate);
  const rate = typed.trim() === '' ? rateOfTaps(taps) : figureIn(typed, 0.3, 60);
  const driven = figureIn(speed, 5, 250);
  const match =
    rate !== null && driven !== null
      ? matchOrder(rate, toMetresPerSecond(driven, unit), diameter, finalDrive)
      : null;
  const keep = (value: string): void => send([jobId, value], () => setSaid('On record.'));
  return (
    <section className="zh-card mb-3" aria-labelledby="zh-felt">
      <h2 id="zh-felt">Felt rate</h2>
      <p>A passenger taps in time with the shake, at a steady speed.</p>
      <Button
        type="button"
        variant="outline-secondary"
        className={`${styles.tap} mb-2`}
        onPointerDown={() => setTaps((before) => [...before.slice(-30), performance.now()])}
        onKeyDown={(event) => {
          if (event.repeat || (event.key !== ' ' && event.key !== 'Enter')) return;
          event.preventDefault();
          setTaps((before) => [...before.slice(-30), performance.now()]);
        }}
      >
        {rateOfTaps(taps) === null
          ? `Tap here, four times or more (${taps.length})`
          : `${rateOfTaps(taps)!.toFixed(1)} a second`}
      </Button>
      <div className="zh-limits">
        <TextField
          label={`Speed (${unit})`}
          error={speed !== '' && driven === null ? 'Write a speed between 5 and 250.' : undefined}
          isFigure
          value={speed}
          onChange={setSpeed}
        />
        <TextField
          label="Or counted: times a second"
          error={
            typed !== '' && rate === null ? 'Write a rate between 0.3 and 60 a second.' : undefined
          }
          isFigure
          value={typed}
          onChange={setTyped}
        />
      </div>
      <div role="status">
        {match && (
          <>
            <p className="mb-2">
              <strong className={asking.lead}>{SAY[match.match]}</strong> {rate!.toFixed(1)} a
              second at {driven} {unit} is order {match.order.toFixed(2)}.
            </p>
            <Button
              type="button"
              variant="primary"
              disabled={busy}
              onClick={() => keep(match.match)}
            >
              Put it on record
            </Button>{' '}
            {trouble ?? said}
          </>
        )}
      </div>
    </section>
  );
}
