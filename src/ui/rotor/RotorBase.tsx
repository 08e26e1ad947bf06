import type { ReactNode } from 'react';
import { facingSense, fastenerName, MAX_POSITIONS, type Corner } from '@/core/readings';
import { PickablePlaces } from './PickablePlaces';
import { Places } from './Places';
import {
  angleOf,
  placeAngle,
  scaleOf,
  type RotorFaceProps,
  type RotorMove,
} from './rotorFaceProps';
import { arcPath, pointAt, RADIUS, radiusOf, SIDE, type Exaggeration } from '@/core/drawing';
import styles from './rotor.module.css';

function Hub({ corner, studs, fastening, shift = 0 }: RotorFaceProps) {
  const sense = facingSense(corner);
  const chalkFrom = pointAt(RADIUS.hub - 4, 0, sense);
  const chalkTo = pointAt(RADIUS.friction + 6, 0, sense);
  const mark = pointAt(RADIUS.hat - 9, angleOf(shift, studs), sense);
  return (
    <g aria-hidden="true">
      <circle className="hat" cx={SIDE / 2} cy={SIDE / 2} r={RADIUS.hat} />
      <circle className="iron" cx={SIDE / 2} cy={SIDE / 2} r={RADIUS.hub} />
      {Array.from({ length: studs }, (_, s) => {
        const at = pointAt(RADIUS.studs, angleOf(s, studs), sense);
        return (
          <circle
            key={s}
            className={`stud ${s === 0 ? 'first' : ''}`}
            cx={at.x}
            cy={at.y}
            r={fastening === 'studs' ? 7 : 5}
            strokeWidth={fastening === 'studs' ? 1 : 3}
          />
        );
      })}
      <line className="chalk" x1={chalkFrom.x} y1={chalkFrom.y} x2={chalkTo.x} y2={chalkTo.y} />
      <circle className="hat-mark" cx={mark.x} cy={mark.y} r={5} />
      <text x={SIDE / 2} y={SIDE / 2 + 4} textAnchor="middle">
        {corner}
      </text>
    </g>
  );
}

function MoveArc({ corner, studs, move }: RotorFaceProps & { readonly move: RotorMove }) {
  const sense = facingSense(corner);
  const from = angleOf(move.from, studs);
  const turn = angleOf(move.studs, studs);
  const tip = pointAt(RADIUS.arc, from + turn, sense);
  const heading = sense * (from + turn) + (sense * move.studs > 0 ? 90 : -90);
  return (
    <g aria-hidden="true">
      <path className={`move ${styles.turning}`} d={arcPath(RADIUS.arc, from, turn, sense)} />
      <path
        className="move-head"
        d="M0 -17 L12 8 L-12 8 Z"
        transform={`translate(${tip.x} ${tip.y}) rotate(${heading})`}
      />
    </g>
  );
}

/** The thick side of a tapered plate: an arc on the hat that swells towards its stud. */
function PlateMark({ corner, studs, plateAt }: RotorFaceProps & { readonly plateAt: number }) {
  const sense = facingSense(corner);
  const theta = angleOf(plateAt - 1, studs);
  const word = pointAt(RADIUS.hat + 31, theta, sense);
  return (
    <g aria-hidden="true">
      <path className="plate thin" d={arcPath(RADIUS.hat + 5, theta - 75, 150, sense)} />
      <path className="plate" d={arcPath(RADIUS.hat + 5, theta - 30, 60, sense)} />
      <text x={word.x} y={word.y + 4} textAnchor="middle" fontWeight={700}>
        plate
      </text>
    </g>
  );
}

/** A spot mark: an upright triangle for the high spot, a hanging one for the low. */
function Spot({ kind, theta, corner }: { kind: 'high' | 'low'; theta: number; corner: Corner }) {
  const at = pointAt(RADIUS.spot, theta, facingSense(corner));
  // Towards the middle, where it meets neither a place nor the rim.
  const aside = SIDE / 2 - at.x;
  const word: { x: number; y: number; anchor: 'start' | 'middle' | 'end' } =
    Math.abs(aside) > 40
      ? { x: at.x + 13 * Math.sign(aside), y: at.y, anchor: aside > 0 ? 'start' : 'end' }
      : { ...pointAt(RADIUS.spotWord, theta, facingSense(corner)), anchor: 'middle' };
  return (
    <g aria-hidden="true">
      <path
        className={kind}
        d={kind === 'high' ? 'M0 -9 L9 7 L-9 7 Z' : 'M0 9 L9 -7 L-9 -7 Z'}
        transform={`translate(${at.x} ${at.y})`}
      />
      <text
        className="spot-word"
        x={word.x}
        y={word.y + 4}
        textAnchor={word.anchor}
        fontWeight={700}
      >
        {kind}
      </text>
    </g>
  );
}

/** The positions; where they are picked each is a button. */
const Numbered = ({ onPick, ...props }: RotorFaceProps & { readonly scale: Exaggeration }) =>
  onPick ? <PickablePlaces {...props} onPick={onPick} /> : <Places {...props} />;

/** Places between the positions, as diamonds. */
function Marks({ corner, marks = [], scale }: RotorFaceProps & { readonly scale: Exaggeration }) {
  const sense = facingSense(corner);
  return marks.map(({ angle, value, state }, i) => {
    const at = pointAt(value === null ? RADIUS.base : radiusOf(value, scale), angle, sense);
    const word = pointAt(RADIUS.label, angle, sense);
    const size = state === 'active' ? 11 : 7;
    return (
      <g key={i} className={`place mark ${state}`} aria-hidden="true">
        <path
          className="dot"
          d={`M0 ${-size} L${size} 0 L0 ${size} L${-size} 0 Z`}
          transform={`translate(${at.x} ${at.y})`}
        />
        {state !== 'read' && (
          <text
            x={word.x}
            y={word.y + 4.5}
            textAnchor="middle"

            fontWeight={state === 'active' ? 800 : 400}
            className="mark-word"
          >
            {angle}°
          </text>
        )}
      </g>
    );
  });
}

/** A slow turn: nearly once round, and the end that is looked for. */
function SlowTurnArc({
  corner,
  turning,
}: Pick<RotorFaceProps, 'corner'> & { readonly turning: 'high' | 'low' }) {
  const sense = facingSense(corner);
  // The wheel turns forward: the places come to the probe against the sense of theta.
  const tip = pointAt(RADIUS.arc, -320, sense);
  const heading = sense * -320 - sense * 90;
  return (
    <g aria-hidden="true">
      <path className="move" d={arcPath(RADIUS.arc, -20, -300, sense)} />
      <path
        className="move-head"
        d="M0 -17 L12 8 L-12 8 Z"
        transform={`translate(${tip.x} ${tip.y}) rotate(${heading})`}
      />
      <text x={SIDE / 2} y={SIDE / 2 + 22} textAnchor="middle" fontWeight={700}>
        {turning === 'high' ? '▲ highest' : '▼ lowest'}
      </text>
    </g>
  );
}

interface RotorBaseProps extends RotorFaceProps {
  /** The readings as a line, where it is drawn. */
  readonly outline: ReactNode;
}

/**
 * The rotor seen from outboard: studs, chalk mark at stud 1, positions in the sense of the
 * corner, the limit as a band, and an outline that is handed in.
 */
export function RotorBase({ outline, ...props }: RotorBaseProps) {
  const { corner, values, limit, label, move, fastening } = props;
  const sense = facingSense(corner);
  const read = values.filter((value) => value !== null);
  const scale = scaleOf(props);
  const whole = read.length === values.length && read.length > 0;
  const angles = values.map((_, j) => placeAngle(props, j));
  const bandWidth = (2 * RADIUS.swing * (limit / 2)) / scale.half;
  const high = whole ? read.indexOf(Math.max(...read)) : -1;
  const low = whole ? read.indexOf(Math.min(...read)) : -1;
  // While the wheel turns the dial says where it is high, not the places.
  const hasSpots = whole && !props.isPlain && !props.turning;
  // So many places are a curve, and are named by their angle.
  const isDense = props.isSwept === true || values.length > MAX_POSITIONS;
  const spotAt = (position: number): string =>
    isDense ? `at ${Math.round(angles[position]!)}°` : `at position ${position + 1}`;
  const places = isDense
    ? `it is swept ${sense === 1 ? 'clockwise' : 'counter-clockwise'}`
    : `positions run ${sense === 1 ? 'clockwise' : 'counter-clockwise'}`;
  const spoken = `${label}, seen from outboard. ${isDense ? 'It begins' : 'Position 1 is'} at the chalk mark, ${fastenerName(fastening)} 1; ${places}.${
    whole ? ` High spot ${spotAt(high)}, low spot ${spotAt(low)}.` : ''
  }`;
  return (
    <div className="zh-drawn">
      <svg
        className={styles.rotor}
        viewBox={`0 0 ${SIDE} ${SIDE}`}
        role={props.onPick ? 'group' : 'img'}
        aria-label={spoken}
      >
        <circle className="iron" cx={SIDE / 2} cy={SIDE / 2} r={RADIUS.edge} />
        <circle
          className="band"
          cx={SIDE / 2}
          cy={SIDE / 2}
          r={RADIUS.base}
          strokeWidth={Math.max(bandWidth, 2)}
        />
        <circle className="mean" cx={SIDE / 2} cy={SIDE / 2} r={RADIUS.base} />
        <Hub {...props} />
        {outline}
        {hasSpots && <Spot kind="high" theta={placeAngle(props, high)} corner={corner} />}
        {hasSpots && <Spot kind="low" theta={placeAngle(props, low)} corner={corner} />}
        {!props.isPlain && !isDense && <Numbered {...props} scale={scale} />}
        {!props.isPlain && <Marks {...props} scale={scale} />}
        {props.turning && <SlowTurnArc corner={corner} turning={props.turning} />}
        {props.plateAt && <PlateMark {...props} plateAt={props.plateAt} />}
        {move && move.studs !== 0 && <MoveArc {...props} move={move} />}
      </svg>
    </div>
  );
}
