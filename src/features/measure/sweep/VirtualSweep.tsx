'use client';

import { FormSelect } from 'react-bootstrap';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { handPace, seedOf, VirtualPort } from '@/core/bench';
import { seededRandom } from '@/core/numeric';
import { facingSense } from '@/core/readings';
import type { LengthUnit, Micrometres } from '@/core/units';
import { unitOf, type BenchCorner, type BenchSet } from '../model';
import { useVirtualBench, virtualName } from '../useVirtualBench';
import { VirtualWheel } from '../VirtualWheel';
import styles from '../measure.module.css';

/** A gauge of a workshop sends so often. */
const EVERY = 40;
/** Seconds that a turn takes. */
const PACES = [8, 15, 30] as const;
/** A hand goes on a little beyond the mark. */
const BEYOND = 40;
/** By so much of itself a hand’s pace goes up and down in a turn. */
const SWAY = 0.2;

interface VirtualSweepProps {
  readonly set: BenchSet;
  readonly corner: BenchCorner;
  readonly isTurning: boolean;
  readonly onReading: (value: Micrometres, unit: LengthUnit) => void;
}

/** A virtual dial that sends as its wheel goes round: it begins to turn when the sweep begins. */
export function VirtualSweep({ set, corner, isTurning, onReading }: VirtualSweepProps) {
  const [seconds, setSeconds] = useState<number>(15);
  const [turn, setTurn] = useState(0);
  const name = virtualName(corner);
  const unit = unitOf(set, corner);
  const { resolutionUm, repeatabilityUm, shift, face } = set;
  const { studs } = corner;
  const bench = useVirtualBench(corner, set);
  const port = useMemo(() => {
    const gauge = { resolution: resolutionUm, repeatability: repeatabilityUm };
    const sight = { kind: 'dial', shift, face, unit, gauge } as const;
    return new VirtualPort(bench, sight, seedOf(`${name} sweep ${shift} ${face}`));
  }, [bench, shift, face, unit, resolutionUm, repeatabilityUm, name]);
  const send = useEffectEvent(onReading);
  useEffect(() => {
    void port.open((event) => {
      if (event.type === 'shows') send(event.reading.value, event.reading.unit);
    });
    port.turnTo(0);
    return () => void port.close();
  }, [port]);

  const turns = useRef(0);
  const pace = useEffectEvent(() => seconds);
  useEffect(() => {
    if (!isTurning) return;
    turns.current += 1;
    const turned = handPace(SWAY, seededRandom(seedOf(`${name} hand ${turns.current}`)));
    const begun = performance.now();
    const timer = setInterval(() => {
      const share = (performance.now() - begun) / (1000 * pace());
      const at = Math.min(360 * turned(share), 360 + BEYOND);
      setTurn(at);
      port.turnTo(at);
    }, EVERY);
    return () => {
      clearInterval(timer);
      setTurn(0);
    };
  }, [isTurning, port, name]);

  return (
    <div className={`${styles.virtual} ${styles.swept}`}>
      <VirtualWheel turn={turn} sense={facingSense(corner.corner)} studs={studs} target={null} />
      <div>
        <p className="mb-2">
          Practice: a virtual dial at an invented rotor. The wheel begins to turn when the sweep
          begins.
        </p>
        <label>
          A turn takes{' '}
          <FormSelect
            className="d-inline-block w-auto"
            value={seconds}
            disabled={isTurning}
            onChange={(event) => setSeconds(Number(event.target.value))}
          >
            {PACES.map((each) => (
              <option key={each} value={each}>
                {each} s
              </option>
            ))}
          </FormSelect>
        </label>
      </div>
    </div>
  );
}
