'use client';

import { Button, FormSelect } from 'react-bootstrap';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
  endPlayShows,
  seedOf,
  VirtualPort,
  type PracticeFault,
  type VirtualBench,
} from '@/core/bench';
import type { LineReading } from '@/core/gauges';
import { seededRandom } from '@/core/numeric';
import { facingSense } from '@/core/readings';
import type { LengthUnit } from '@/core/units';
import { isDialSet } from './model';
import type { BenchSet } from './set';
import {
  useVirtualBench,
  virtualName,
  type VirtualCornerView,
  type VirtualSetView,
} from './useVirtualBench';
import { VirtualWheel } from './VirtualWheel';
import styles from './measure.module.css';

/** What a live gauge shows, and why it may not be taken now. */
export interface Shown {
  readonly reading: LineReading;
  readonly refuse: string | null;
  /** Turns the wheel to where the next reading is asked for, where that can be done from here. */
  readonly turn?: () => void;
}

export interface VirtualGaugeProps {
  readonly corner: VirtualCornerView;
  readonly set: VirtualSetView &
    Pick<BenchSet, 'shift' | 'face' | 'resolutionUm' | 'repeatabilityUm'>;
  readonly unit: LengthUnit;
  /** Where the next reading is asked for: degrees from the chalk mark, laps added up. */
  readonly target: number | null;
  /** A slow turn: the wheel is stopped wherever the dial is highest or lowest. */
  readonly isFree: boolean;
  readonly step: number;
  readonly onShows: (shown: Shown | null) => void;
  /** Takes what it shows at this moment, which `onShows` may not have told yet. */
  readonly onTake: (shown: Shown) => void;
  /** Notes what a look beside the gauge gave: push and pull, the closed micrometer, a feel. */
  readonly onNote: (detail: 'endPlayUm' | 'zeroErrorUm' | 'rotorCelsius', value: number) => void;
}

const FAULT_NAME: Readonly<Record<PracticeFault, string>> = {
  none: 'nothing wrong at the bench',
  'loose-base': 'loose base',
  'end-play': 'play in the bearing',
  hot: 'hot rotor',
  zero: 'micrometer off zero',
  dirt: 'dirt under the hat, as first marked',
  'other-face': 'dial on the other face',
  slot: 'a slot under the probe',
  lip: 'micrometer on the lip',
};
const FAULTS = Object.keys(FAULT_NAME) as PracticeFault[];
/** Nearer than this the wheel stops at the position. */
const SNAP = 4;

interface FreelyProps {
  readonly bench: VirtualBench;
  readonly fault: PracticeFault;
  readonly setFault: (fault: PracticeFault) => void;
  readonly name: string;
  readonly isDial: boolean;
  readonly gauge: { readonly resolution: number; readonly repeatability: number };
  readonly onNote: VirtualGaugeProps['onNote'];
}

/** Practice without a case: a fault is chosen, and what a look beside the gauge gives is noted. */
function Freely({ bench, fault, setFault, name, isDial, gauge, onNote }: FreelyProps) {
  const [noted, setNoted] = useState<string | null>(null);
  const look = (): void => {
    const random = seededRandom(seedOf(`${name} look`));
    if (isDial) {
      const value = endPlayShows(bench, gauge, random);
      onNote('endPlayUm', value);
      setNoted(`Push and pull: ${value.toFixed(0)} µm, noted.`);
      return;
    }
    const { zeroError = 0, celsius = 20 } = bench.faults;
    onNote('zeroErrorUm', zeroError);
    onNote('rotorCelsius', celsius);
    setNoted(`Closed it shows ${zeroError} µm; the rotor is at ${celsius} °C. Both noted.`);
  };
  return (
    <>
      <Button variant="outline-secondary" className="ms-2" onClick={look}>
        {isDial ? 'Push and pull' : 'Close it, feel the rotor'}
      </Button>
      {noted && <p className="mb-0 mt-2">{noted}</p>}
      <label className="mt-2 d-block" htmlFor="practice-fault">
        Practise with{' '}
        <FormSelect
          id="practice-fault"
          className="d-inline-block w-auto"
          value={fault}
          onChange={(event) =>
            setFault(FAULTS.find((each) => each === event.target.value) ?? 'none')
          }
        >
          {FAULTS.map((each) => (
            <option key={each} value={each}>
              {FAULT_NAME[each]}
            </option>
          ))}
        </FormSelect>
      </label>
    </>
  );
}

/** A virtual gauge at a wheel that is turned by hand, arrow keys or a button. */
export function VirtualGauge(props: VirtualGaugeProps) {
  const { corner, set, unit, target, onShows } = props;
  const { practice, studs } = corner;
  const { shift, face, resolutionUm, repeatabilityUm } = set;
  const [fault, setFault] = useState<PracticeFault>('none');
  const [turn, setTurn] = useState(target ?? 0);
  const [shows, setShows] = useState<{ readonly reading: LineReading; readonly at: number }>();
  const grabbed = useRef<number | null>(null);
  const sense = facingSense(corner.corner);
  const name = virtualName(corner);
  const isDial = isDialSet(set);
  const bench = useVirtualBench(corner, set, fault);
  const gauge = useMemo(
    () => ({ resolution: resolutionUm, repeatability: repeatabilityUm }),
    [resolutionUm, repeatabilityUm],
  );
  const port = useMemo(() => {
    const kind = isDial ? 'dial' : 'micrometer';
    const seed = seedOf(`${name} ${kind} ${shift} ${face}`);
    return new VirtualPort(bench, { kind, shift, face, unit, gauge }, seed);
  }, [bench, isDial, shift, face, unit, gauge, name]);
  const stands = useRef(turn);
  useEffect(() => {
    void port.open((event) => {
      if (event.type === 'shows') setShows({ reading: event.reading, at: stands.current });
    });
    return () => void port.close();
  }, [port]);
  useEffect(() => {
    stands.current = turn;
    port.turnTo(turn);
  }, [port, turn]);
  // What it showed where the wheel stood before is not what it shows here.
  const shown = shows?.at === turn ? shows.reading : null;
  const isThere = props.isFree || (target !== null && Math.abs(turn - target) < 1e-9);
  const away = target === null ? 'This set is read.' : 'Turn the wheel to the next position.';
  const now: Shown | null = shown && {
    ...{ reading: shown, refuse: isThere ? null : away },
    ...(!isThere && target !== null && { turn: () => setTurn(target) }),
  };
  // Pressed while the hand was still moving: it is taken as soon as it stands.
  const isWanted = useRef(false);
  const take = (): void => {
    if (now) props.onTake(now);
    isWanted.current = now === null;
  };
  useEffect(() => {
    onShows(now);
    if (now && isWanted.current) take();
    // Only what is shown and where the wheel stands bear on it, not the callback’s identity.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `onShows` is new on every render
  }, [shown, isThere, target]);

  /** Turns on from where it stands; quick keys are all counted. */
  const turnBy = (by: number): void => {
    isWanted.current = false;
    setTurn((now) => {
      const angle = now + by;
      const isNear = target !== null && Math.abs(angle - target) <= SNAP;
      return isNear ? target : angle;
    });
  };
  const angleAt = (event: PointerEvent<SVGSVGElement>): number => {
    const box = event.currentTarget.getBoundingClientRect();
    const dx = event.clientX - box.left - box.width / 2;
    const dy = event.clientY - box.top - box.height / 2;
    return (Math.atan2(dy, dx) * 180) / Math.PI;
  };
  const drag = (event: PointerEvent<SVGSVGElement>): void => {
    if (grabbed.current === null) return;
    const now = angleAt(event);
    const moved = ((now - grabbed.current + 540) % 360) - 180;
    grabbed.current = now;
    // The wheel is turned the other way round than its places come under the probe.
    turnBy(-sense * moved);
  };
  const keys = (event: KeyboardEvent): void => {
    const by = { ArrowRight: props.step, ArrowLeft: -props.step }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      turnBy(by);
    } else if (event.key === ' ') {
      event.preventDefault();
      take();
    }
  };
  return (
    <section className="zh-card mt-2" aria-label="Virtual gauge">
      <div className={styles.virtual}>
        <VirtualWheel
          turn={turn}
          sense={sense}
          studs={studs}
          target={target}
          hand={{
            onKeyDown: keys,
            onGrab: (event) => {
              grabbed.current = angleAt(event);
            },
            onDrag: drag,
            onDrop: () => {
              grabbed.current = null;
            },
          }}
        />
        <div>
          <p className="zh-figure zh-figure-large mb-1" aria-live="polite">
            {shown?.text ?? '…'} <span className="fs-5">{unit === 'um' ? 'µm' : unit}</span>
          </p>
          {/* One key goes all the way round: it turns, then takes. */}
          {target !== null && !isThere ? (
            <Button variant="primary" onClick={() => setTurn(target)}>
              Turn to the next position
            </Button>
          ) : (
            <Button variant="primary" disabled={!isThere || !shown} onClick={take}>
              Take it (Space)
            </Button>
          )}
          {!practice && (
            <Freely {...{ bench, fault, setFault, name, isDial, gauge }} onNote={props.onNote} />
          )}
        </div>
      </div>
      <p className="zh-muted mb-0">
        {practice
          ? 'Practice: no rotor is there. '
          : 'Practice: an invented rotor stands behind this gauge, the same one every time for this corner. '}
        Drag the wheel, or turn it with the arrow keys.
      </p>
    </section>
  );
}
