'use client';

import { useEffect, useRef, type KeyboardEvent } from 'react';
import type { CornerPart, PartKind, PartState } from '@/core/corner';
import { CORNER_NAME, type Corner } from '@/core/readings';
import { useRoving } from '../useRoving';
import styles from './corner.module.css';
import { SHAPE } from './shapes';

/** Something that stands in the tray: what it is, with its mark, and a photo of it. */
export interface DrawnTray {
  readonly id: string;
  readonly name: string;
  readonly mark: string;
  readonly photo: string | null;
  /** The part of the drawing that it belongs to. */
  readonly part: string | null;
}

interface CornerDrawingProps {
  readonly corner: Corner;
  readonly parts: readonly CornerPart[];
  readonly states: Readonly<Record<string, PartState>>;
  /** The part that is worked on. */
  readonly current?: string | null;
  readonly tray?: readonly DrawnTray[];
  /** What the drawing is for, in a few words. */
  readonly label: string;
  readonly onPick?: (code: string) => void;
}

const SIGN: Readonly<Record<PartKind, string>> = {
  open: '○',
  next: '▶',
  done: '●',
  off: '▽',
  sound: '○',
  found: '▲',
  forbids: '■',
};

const WIDTH = 360;
const COLUMN = WIDTH / 2;
const ROW = 50;
const TOP = 26;
const CHIP = 46;
const CHIPS = 2;

/** As many letters as there is room for beside a part; the whole stands in its name. */
const ROOM = 17;
const short = (word: string): string =>
  word.length > ROOM ? `${word.slice(0, ROOM - 1).trimEnd()}…` : word;

/** A text in two lines, broken between words. */
function twoLines(text: string): string[] {
  if (text.length <= ROOM) return [text];
  const at = text.lastIndexOf(' ', ROOM);
  return at < 1 ? [short(text)] : [text.slice(0, at), short(text.slice(at + 1))];
}

/** “None: clean and dry” is room for nothing else: what is to be is said. */
const put = (product: string): string => `◆ ${product.replace(/^None[:;] /, '')}`;

/** What stands under a part’s name: how far it is, and what goes on it in the step at hand. */
function linesOf({ kind, word, product }: PartState) {
  const own = word === '' ? [] : [{ text: short(`${SIGN[kind]} ${word}`), style: styles.word }];
  if (product === undefined) return own;
  // What is next is seen by its frame: its product has both lines.
  const isAlone = kind === 'next' || own.length === 0;
  const texts = isAlone ? twoLines(put(product)) : [short(put(product))];
  const lines = texts.map((text) => ({ text, style: styles.product }));
  return isAlone ? lines : [...own, ...lines];
}

const said = ({ word, product }: PartState): string =>
  [word, product].filter(Boolean).join('; ') || 'nothing to do';

interface Placed {
  readonly part: CornerPart;
  readonly x: number;
  readonly y: number;
}

/** The parts in two columns along the axis, outboard on top; the columns change over on a right wheel. */
function placed(parts: readonly CornerPart[], isRight: boolean): Placed[] {
  const at = { axle: 0, caliper: 0 };
  return parts.map((part) => {
    const isSecond = (part.column === 'caliper') !== isRight;
    const y = TOP + ROW * at[part.column] + ROW / 2;
    at[part.column] += 1;
    return { part, x: isSecond ? COLUMN : 0, y };
  });
}

interface PartProps extends Placed {
  readonly state: PartState;
  readonly isCurrent: boolean;
  readonly isRight: boolean;
  readonly button: object;
}

/** One part: its shape, its name, and how far it is. */
function Part({ part, x, y, state, isCurrent, isRight, button }: PartProps) {
  const lines = linesOf(state);
  return (
    <g
      className={styles.part}
      transform={`translate(${x} ${y})`}
      data-part={part.code}
      data-state={state.kind}
      data-lit={state.isLit}
      aria-current={isCurrent ? 'true' : undefined}
      {...button}
    >
      <rect
        className={styles.hit}
        x={2}
        y={2 - ROW / 2}
        width={COLUMN - 4}
        height={ROW - 4}
        rx={8}
      />
      <g className={styles.shape} transform={`translate(36 0) scale(${isRight ? -1 : 1} 1)`}>
        {SHAPE[part.shape]}
      </g>
      <text className={styles.name} x={70} y={lines.length > 1 ? -9 : -3}>
        {part.name}
      </text>
      {lines.map(({ text, style }, i) => (
        <text key={text} className={style} x={70} y={(lines.length > 1 ? 5 : 13) + 14 * i}>
          {text}
        </text>
      ))}
    </g>
  );
}

/** What is off, as it stands in the tray. */
function TrayChips({
  tray,
  top,
  onPick,
}: Pick<CornerDrawingProps, 'onPick'> & {
  readonly tray: readonly DrawnTray[];
  readonly top: number;
}) {
  return (
    <g aria-label="In the tray" role="group">
      <rect
        className={styles.tray}
        x={4}
        y={top}
        width={WIDTH - 8}
        height={24 + CHIP * Math.ceil(tray.length / CHIPS)}
        rx={10}
      />
      <text className={styles.word} x={14} y={top + 17}>
        In the tray
      </text>
      {tray.map(({ id, name, mark, photo, part }, i) => (
        <g
          key={id}
          transform={`translate(${12 + (i % CHIPS) * (COLUMN - 6)} ${top + 24 + CHIP * Math.floor(i / CHIPS)})`}
          onClick={onPick && part ? () => onPick(part) : undefined}
        >
          {photo && (
            <image href={photo} width={36} height={36} preserveAspectRatio="xMidYMid slice" />
          )}
          <text className={styles.name} x={photo ? 42 : 2} y={16}>
            {name.slice(0, photo ? 14 : 20)}
          </text>
          <text className={styles.word} x={photo ? 42 : 2} y={32}>
            {mark.slice(0, photo ? 18 : 24)}
          </text>
        </g>
      ))}
    </g>
  );
}

/**
 * A corner pulled apart along the axis of its hub, outboard on top: the axle’s parts in one column,
 * what sits over the rotor in the other. A part that is tapped is picked; left and right are mirror
 * images. The same parts stand in lists beside it.
 */
export function CornerDrawing(props: CornerDrawingProps) {
  const { corner, parts, states, current = null, tray = [], label, onPick } = props;
  const frame = useRef<HTMLDivElement>(null);
  const isRight = corner.endsWith('R');
  const all = placed(parts, isRight);
  const bottom = Math.max(...all.map(({ y }) => y)) + ROW / 2;
  const height = bottom + (tray.length > 0 ? 34 + CHIP * Math.ceil(tray.length / CHIPS) : 6);
  const rove = useRoving(
    parts.length,
    Math.max(
      0,
      parts.findIndex(({ code }) => code === current),
    ),
    'svg',
  );
  // The part that is worked on stays in sight within the frame.
  useEffect(() => {
    const box = frame.current;
    const part = box?.querySelector('[aria-current="true"]');
    if (!box || !part || box.scrollHeight <= box.clientHeight) return;
    const { top, height: tall } = part.getBoundingClientRect();
    box.scrollTop += top + tall / 2 - (box.getBoundingClientRect().top + box.clientHeight / 2);
  }, [current]);
  const stateOf = ({ code }: CornerPart): PartState => states[code] ?? { kind: 'open', word: '' };
  const buttonOf = (part: CornerPart, index: number): object => {
    if (!onPick) return {};
    const roved = rove(index);
    return {
      ...roved,
      role: 'button',
      'aria-label': `${part.name}: ${said(stateOf(part))}`,
      onClick: () => onPick(part.code),
      onKeyDown: (event: KeyboardEvent<SVGGElement>) => {
        if (event.key !== 'Enter' && event.key !== ' ') return roved.onKeyDown(event);
        event.preventDefault();
        onPick(part.code);
      },
    };
  };
  return (
    <div ref={frame} className={onPick ? `${styles.frame} ${styles.scrolled}` : styles.frame}>
      <svg
        className={styles.drawing}
        viewBox={`0 0 ${WIDTH} ${height}`}
        role={onPick ? 'group' : 'img'}
        aria-label={`${label}, ${CORNER_NAME[corner]}, pulled apart, outboard on top`}
      >
        {[36, COLUMN + 36].map((x) => (
          <line key={x} className={styles.axis} x1={x} x2={x} y1={TOP} y2={bottom} />
        ))}
        <text className={styles.word} x={14} y={17}>
          outboard ▲
        </text>
        {all.map((each, index) => (
          <Part
            key={each.part.code}
            {...each}
            {...{ isRight }}
            state={stateOf(each.part)}
            isCurrent={each.part.code === current}
            button={buttonOf(each.part, index)}
          />
        ))}
        {tray.length > 0 && <TrayChips {...{ tray, onPick }} top={bottom + 6} />}
      </svg>
    </div>
  );
}
