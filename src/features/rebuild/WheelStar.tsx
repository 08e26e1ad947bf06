'use client';

import { useEffect, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { facingSense, type Corner, type Fastening } from '@/core/readings';
import { formatTorque, type TorqueUnit } from '@/core/units';
import { pointAt, SIDE } from '@/ui/rotor';
import { pullAmiss, readPull, stageName, starLine, starState } from './model';
import { WHEEL_STAGES } from '@/core/torque';
import { STAR_KEPT, useStar } from './useStar';
import styles from './rebuild.module.css';
import picks from '@/ui/shell/picks.module.css';

interface WheelStarProps {
  readonly jobId: string;
  readonly corner: Corner;
  readonly count: number;
  readonly fastening: Fastening;
  readonly pulls: readonly (number | null)[];
  readonly stamp: string | null;
  /** The figure of the wheel, or null while there is none. */
  readonly torqueNm: number | null;
  readonly unit: TorqueUnit;
  /** Whether the star is what is next: a wrench may type at once. */
  readonly isNext: boolean;
}

const RING = 120;
const NUT = 34;

/** The wheel from outside: numbers, the star between them, what is pulled and what is next. */
function Wheel({
  corner,
  count,
  made,
  fastening,
  onPick,
}: Pick<WheelStarProps, 'corner' | 'count' | 'fastening'> & {
  readonly made: number;
  readonly onPick: (nut: number) => void;
}) {
  const sense = facingSense(corner);
  const state = starState(count, made);
  const place = (nut: number) => pointAt(RING, (360 * nut) / count, sense);
  const line = starLine(count)
    .map((nut) => `${place(nut).x},${place(nut).y}`)
    .join(' ');
  const word = fastening === 'studs' ? 'nut' : 'bolt';
  return (
    <svg
      className={styles.star}
      viewBox={`0 0 ${SIDE} ${SIDE}`}
      role="img"
      aria-label={`Wheel with ${count} ${word}s, seen from outside, ${word} 1 on top${state.next ? `; next is ${word} ${state.next.nut + 1}` : '; all are drawn up'}`}
    >
      <circle className="rim" cx={SIDE / 2} cy={SIDE / 2} r={SIDE / 2 - 8} />
      <polyline className="path" points={line} />
      {Array.from({ length: count }, (_, nut) => {
        const { x, y } = place(nut);
        const isNext = state.next?.nut === nut;
        const isMade = state.inStage.includes(nut) || state.next === null;
        return (
          <g
            key={nut}
            className={`nut ${isNext ? 'next' : ''} ${isMade ? 'made' : ''}`}
            onClick={() => onPick(nut)}
            data-nut={nut + 1}
          >
            <circle cx={x} cy={y} r={NUT} />
            <text x={x} y={y + 10} textAnchor="middle" fontSize={28} fontWeight={700}>
              {nut + 1}
            </text>
            {isMade && (
              <text x={x + 24} y={y - 18} textAnchor="middle" fontSize={24} fontWeight={800}>
                ✓
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

/**
 * A wheel drawn up in the star, counted off nut by nut: a tap on the nut, Enter, or a torque
 * wrench that types. Every pull is on file at once.
 */
export function WheelStar(props: WheelStarProps) {
  const { corner, count, fastening, torqueNm, unit } = props;
  const star = useStar(props);
  const { pulls, keep } = star;
  const [text, setText] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const state = starState(count, pulls.length);
  const word = fastening === 'studs' ? 'nut' : 'bolt';
  const { isNext } = props;
  useEffect(() => {
    if (isNext) field.current?.focus();
  }, [isNext]);

  const pull = (nm: number | null): void => {
    if (!state.next) return;
    setText('');
    setSaid(pullAmiss(nm, torqueNm, state.next.stage));
    keep([...pulls, nm]);
  };
  const enter = (): void => {
    const read = readPull(text, unit);
    if (read.ok) pull(read.nm);
    else setSaid(read.message);
  };
  const pick = (nut: number): void => {
    if (!state.next) return;
    if (nut === state.next.nut) pull(null);
    else setSaid(`Next is ${word} ${state.next.nut + 1}.`);
  };
  const last = pulls.at(-1) ?? null;
  return (
    <section className={`zh-card ${styles.starCard}`} aria-label="Wheel in the star">
      <div>
        <Wheel {...{ corner, count, fastening }} made={pulls.length} onPick={pick} />
      </div>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          enter();
        }}
      >
        <p className="zh-muted mb-1">
          Stage {state.stage + 1} of {WHEEL_STAGES.length}: {stageName(state.stage, torqueNm, unit)}
        </p>
        {state.next ? (
          <>
            <p className={styles.starNext} role="status">
              {fastening === 'studs' ? 'Nut' : 'Bolt'}{' '}
              <span className="zh-figure">{state.next.nut + 1}</span>
            </p>
            {state.stage === WHEEL_STAGES.length - 1 && (
              <p>Lower the vehicle until its weight is just on the tyre, then check each {word}.</p>
            )}
            <Form.Control
              ref={field}
              className={`${picks.pulled} mb-2`}
              inputMode="decimal"
              autoComplete="off"
              aria-label={`What the wrench read (${unit}); may stay empty`}
              placeholder={`${unit}, or empty`}
              value={text}
              onChange={({ target }) => setText(target.value)}
            />
            <Button type="submit" variant="primary" className={styles.pull}>
              Pulled, next {word}
            </Button>
          </>
        ) : (
          <p className={styles.starNext} role="status">
            All {count} {word}s, three times.
          </p>
        )}
        {pulls.length > 0 && (
          <Button
            type="button"
            variant="link"
            className="d-block px-0"
            onClick={() => {
              setSaid(null);
              keep(pulls.slice(0, -1));
            }}
          >
            Take the last pull back
          </Button>
        )}
        <p className="zh-muted mb-0">
          {pulls.length} of {state.of} pulls
          {last !== null && `, the last read ${formatTorque(last, unit)}`}
          {pulls.length > 0 && STAR_KEPT[star.kept]}
        </p>
        {(star.trouble ?? said) && (
          <p className="zh-error mb-0" role="alert">
            {star.trouble ?? said}
          </p>
        )}
      </form>
    </section>
  );
}
