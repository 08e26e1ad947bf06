'use client';

import { Button } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { useEffect, useRef, useState } from 'react';
import { stopsOf, WALKING_PACE, type Programme, type Stop } from '@/core/bedding';
import { fromMetresPerSecond, type SpeedUnit } from '@/core/units';
import { chime } from '@/ui/chime';
import { sayTime, type StepView } from './model';
import { Signed } from '@/ui/procedure';
import { useStep } from './StepTick';
import styles from './rebuild.module.css';

interface DriveProps {
  readonly jobId: string;
  readonly programme: Programme;
  readonly unit: SpeedUnit;
  readonly written: StepView | null;
  /** Why the vehicle must not be driven yet, or null. */
  readonly why: string | null;
}

const speed = (kmh: number, unit: SpeedUnit): string =>
  kmh <= WALKING_PACE
    ? 'walking pace'
    : `${Math.round(fromMetresPerSecond(kmh / 3.6, unit))} ${unit}`;

const sayStop = (stop: Stop, unit: SpeedUnit): string =>
  `${speed(stop.from, unit)} → ${speed(stop.to, unit)}`;

/** Where the drive stands: stops made, and when the last was made. */
interface Progress {
  readonly made: number;
  /** Wall clock in ms, so that it survives a reload. */
  readonly last: number | null;
}
const START: Progress = { made: 0, last: null };

function readProgress(text: string | null): Progress {
  try {
    const read = JSON.parse(text ?? '') as Partial<Progress>;
    return typeof read.made === 'number' && (read.last === null || typeof read.last === 'number')
      ? { made: read.made, last: read.last }
      : START;
  } catch {
    return START;
  }
}

/** The clock in ms, told every quarter of a second. */
function useClock(): number {
  const [now, setNow] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** Keeps the screen awake while the page is open, where the browser can. */
function useAwake(): void {
  useEffect(() => {
    let lock: { release: () => Promise<void> } | null = null;
    navigator.wakeLock?.request('screen').then(
      (held) => {
        lock = held;
      },
      // It may be refused, as on a low battery: the screen then dims as usual.
      () => undefined,
    );
    return () => void lock?.release();
  }, []);
}

/** The passenger’s view: stops counted in large type, a chime when the next is due. */
export function BeddingDrive({ jobId, programme, unit, written, why }: DriveProps) {
  const stops = stopsOf(programme);
  const store = `zh-bedding-${jobId}`;
  const [progress, setProgress] = useState(START);
  const now = useClock();
  useAwake();
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the device knows it only once the page is open
    setProgress(readProgress(window.localStorage.getItem(store)));
  }, [store]);
  const go = (next: Progress): void => {
    window.localStorage.setItem(store, JSON.stringify(next));
    setProgress(next);
  };
  const { made, last } = progress;
  const next = stops[made] ?? null;
  const since = last === null || now === 0 ? null : (now - last) / 1000;
  const wait = next && since !== null ? Math.max(0, next.gap - since) : 0;
  const cool = programme.coolMinutes * 60;
  const coolLeft = next === null && since !== null ? Math.max(0, cool - since) : 0;
  const isDue = next !== null && made > 0 && since !== null && wait === 0;
  const rung = useRef(0);
  useEffect(() => {
    if (!isDue || rung.current === made) return;
    rung.current = made;
    chime('go');
  }, [isDue, made]);
  const stopMade = (): void => {
    if (next) go({ made: made + 1, last: Date.now() });
  };
  const keep = useStep({ jobId, kind: 'bedding', place: '', item: 'driven' }, written);
  if (why !== null) {
    return (
      <>
        <div className="zh-stop mb-3" role="alert">
          <strong>Do not drive.</strong> {why}
        </div>
        <ButtonLink variant="primary" href={`/jobs/${jobId}/rebuild`}>
          Rebuild
        </ButtonLink>
      </>
    );
  }
  return (
    <section className={styles.drive} aria-label="Passenger’s view">
      <p className="zh-muted mb-0">
        A passenger counts; the driver drives. Quiet road, within the law. Smoke, fade or a long
        pedal: stop and let it cool.
      </p>
      {next ? (
        <>
          <p className={styles.driveCount} role="status">
            Stop <span className="zh-figure">{next.number}</span>
            <span className="zh-muted"> of {stops.length}</span>
          </p>
          <p className={styles.driveWhat}>
            <span className="zh-figure">{sayStop(next, unit)}</span> {next.hard}
          </p>
          <p className={styles.driveWait}>
            {wait > 0 ? (
              <>
                Drive on: <span className="zh-figure">{sayTime(wait)}</span>
              </>
            ) : (
              'Now.'
            )}
          </p>
          <Button
            type="button"
            variant="primary"
            className={styles.driveMade}
            onClick={stopMade}
            autoFocus
          >
            Stop made
          </Button>
        </>
      ) : (
        <>
          <p className={styles.driveCount} role="status">
            {stops.length === 0 ? 'No stops to count' : `All ${stops.length} stops made`}
          </p>
          {coolLeft > 0 && (
            <p className={styles.driveWait}>
              Drive without braking: <span className="zh-figure">{sayTime(coolLeft)}</span>
            </p>
          )}
          {programme.gentleKm > 0 && (
            <p>Tell the owner: no hard stops for {programme.gentleKm} km.</p>
          )}
          {programme.note && <p>{programme.note}</p>}
          {written ? (
            <p>
              ✓ On record. <Signed written={written} />
            </p>
          ) : (
            <Button
              type="button"
              variant="primary"
              className={styles.driveMade}
              disabled={keep.busy}
              onClick={() => keep.write({ stops: made })}
            >
              Bedded in: put it on record
            </Button>
          )}
          {keep.trouble && (
            <p className="zh-error" role="alert">
              {keep.trouble}
            </p>
          )}
        </>
      )}
      <div className="d-flex flex-wrap gap-2">
        {made > 0 && (
          <Button
            type="button"
            variant="outline-secondary"
            onClick={() => go({ made: made - 1, last: made - 1 === 0 ? null : last })}
          >
            One stop back
          </Button>
        )}
        <ButtonLink variant="outline-secondary" href={`/jobs/${jobId}/rebuild/bedding`}>
          The plan
        </ButtonLink>
      </div>
    </section>
  );
}
