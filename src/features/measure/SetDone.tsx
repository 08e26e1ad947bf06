'use client';

import { Button } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { useEffect, useRef } from 'react';
import { NextLink, NextThing } from '@/ui/shell';
import { focusLimit } from './LimitEntry';
import { KIND_NAME, type BenchCorner, type BenchSet } from './model';
import type { Advised } from './result';

const BECAUSE: Readonly<Record<Exclude<Advised, 'next'>, string>> = {
  again: 'but it is not valid. Put right what is named, then take it again.',
  mounting: 'Now a second mounting, to tell hub from rotor: about 8 minutes.',
  lap: 'Another lap tells more, without zeroing the dial.',
  turn: 'Turn it slowly once: stop at the highest place and at the lowest, and read both.',
  place: 'It is not settled yet: two more places.',
  discard: 'Enter the discard thickness: it is stamped on the rotor.',
  press: 'There is play: press the wheel inboard at each reading. Was it?',
};

/** What the set itself still asks for, in a sentence; null where it asks for nothing more. */
export const sayMore = (advised: Advised): string | null =>
  advised === 'lap' || advised === 'turn' || advised === 'place' || advised === 'press'
    ? BECAUSE[advised]
    : null;

interface SetDoneProps {
  readonly set: BenchSet;
  readonly corner: BenchCorner;
  /** What this corner still lacks. */
  readonly missing: 'runout' | 'thickness' | null;
  /** What the set itself could still be given: a slow turn, or places of thickness. */
  readonly asks: 'turn' | 'place' | null;
  /** What comes next when nothing is missing. */
  readonly advised: Advised;
  /** What the corner as a whole asks for, in one sentence. */
  readonly todo: string;
  readonly nextHref: string;
  readonly nextLabel: string;
  readonly onMissing: () => void;
  readonly onLap: () => void;
  readonly onMounting: (() => void) | null;
  /** Reads it where the advice says to move it to; null where that is decided elsewhere. */
  readonly onMoved: (() => void) | null;
  readonly onRepeat: () => void;
  /** Goes to what the set itself asks for: a slow turn, or a place of thickness. */
  readonly onReadOn: () => void;
  readonly onPressed: () => void;
}

interface Step {
  readonly label: string;
  readonly act: () => void;
}

/** What can follow a set that was read to its end; the likely one is first and has the focus. */
export function SetDone(props: SetDoneProps) {
  const { set, missing } = props;
  const read = KIND_NAME[set.kind];
  const steps: Partial<Record<Advised, Step>> = {
    again: { label: 'Take it again', act: props.onRepeat },
    lap: { label: 'Another lap', act: props.onLap },
    ...(props.asks === 'turn' ? { turn: { label: 'Read a slow turn', act: props.onReadOn } } : {}),
    ...(props.asks === 'place'
      ? { place: { label: 'Read two more places', act: props.onReadOn } }
      : {}),
    discard: { label: 'Enter the discard thickness', act: () => focusLimit('discard') },
    press: { label: 'It was pressed', act: props.onPressed },
    ...(props.onMounting ? { mounting: { label: 'Another mounting', act: props.onMounting } } : {}),
  };
  const advised = steps[props.advised] ? props.advised : 'next';
  const isOfSet = advised !== 'next' && advised !== 'mounting' && advised !== 'lap';
  const first: Step | null =
    missing && !isOfSet
      ? { label: `Measure ${missing}`, act: props.onMissing }
      : (steps[advised] ??
        (props.onMoved && { label: 'It is moved: read it there', act: props.onMoved }));
  const goOn = missing &&
    first &&
    isOfSet && {
      label: `Measure ${missing}`,
      act: props.onMissing,
    };
  const others = [
    goOn || undefined,
    steps.turn,
    steps.place,
    steps.mounting,
    steps.lap,
    steps.again,
  ].filter((step): step is Step => step !== undefined && step !== first);
  const todo =
    missing && !isOfSet
      ? `${read} is read. Now measure ${missing}.`
      : `${read} is read${advised === 'again' ? ', ' : '. '}${advised === 'next' ? props.todo : BECAUSE[advised]}`;
  const likely = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    likely.current?.focus({ preventScroll: true });
  }, [first?.label]);
  return (
    <NextThing todo={todo}>
      {first ? (
        <Button key={first.label} ref={likely} type="button" variant="primary" onClick={first.act}>
          {first.label}
        </Button>
      ) : (
        <NextLink href={props.nextHref}>{props.nextLabel}</NextLink>
      )}
      {others.map(({ label, act }) => (
        <Button key={label} type="button" variant="outline-secondary" onClick={act}>
          {label}
        </Button>
      ))}
      {first && (
        <ButtonLink variant="outline-secondary" href={props.nextHref}>
          {props.nextLabel}
        </ButtonLink>
      )}
    </NextThing>
  );
}
