import { facingSense, fastenerName, type Corner, type Fastening } from '@/core/readings';
import {
  arcPath,
  exaggerationOf,
  outlinePath,
  pointAt,
  RADIUS,
  radiusOf,
  SIDE,
  type Exaggeration,
} from '@/core/drawing';

export interface RotorMove {
  readonly from: number;
  /** Signed stud spacings in the theta sense, the shorter way. */
  readonly studs: number;
}

/** A place between the others: read, to be read next, or being read. */
export interface RotorMark {
  /** Degrees from the chalk mark in the theta sense. */
  readonly angle: number;
  /** Micrometres; null where it was not read yet. */
  readonly value: number | null;
  readonly state: 'read' | 'next' | 'active';
}

export interface RotorFaceProps {
  readonly corner: Corner;
  readonly studs: number;
  readonly fastening: Fastening;
  /** Readings in micrometres by position, null where not read yet. */
  readonly values: readonly (number | null)[];
  /** Limit in micrometres, drawn as a band round the middle. */
  readonly limit: number;
  /** Names what is drawn, for those who do not see it. */
  readonly label: string;
  readonly active?: number | null;
  readonly suspects?: readonly number[];
  /** A scale shared with another drawing beside this one. */
  readonly scale?: Exaggeration;
  /** Where the rotor's own mark stands, in stud spacings. */
  readonly shift?: number;
  readonly move?: RotorMove | null;
  /** Stud at which a tapered plate is thickest. */
  readonly plateAt?: number | null;
  readonly onPick?: (position: number) => void;
  /** Angles of the values in degrees; evenly spaced when left out. */
  readonly angles?: readonly number[] | null | undefined;
  readonly marks?: readonly RotorMark[];
  /** The wheel is turned slowly, and stopped at its highest or lowest place. */
  readonly turning?: 'high' | 'low' | null;
  /** Without the positions: a small drawing of a shape. */
  readonly isPlain?: boolean;
}

const angleOf = (position: number, count: number): number => (360 * position) / count;
const placeAngle = ({ values, angles }: RotorFaceProps, position: number): number =>
  angles?.[position] ?? angleOf(position, values.length);

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
      <path className="move zh-turning" d={arcPath(RADIUS.arc, from, turn, sense)} />
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
  const word = pointAt(RADIUS.spotWord, theta, facingSense(corner));
  return (
    <g aria-hidden="true">
      <path
        className={kind}
        d={kind === 'high' ? 'M0 -9 L9 7 L-9 7 Z' : 'M0 9 L9 -7 L-9 -7 Z'}
        transform={`translate(${at.x} ${at.y})`}
      />
      <text className="spot-word" x={word.x} y={word.y + 4} textAnchor="middle" fontWeight={700}>
        {kind}
      </text>
    </g>
  );
}

function Places(props: RotorFaceProps & { readonly scale: Exaggeration }) {
  const { corner, values, active, suspects, scale, onPick } = props;
  const sense = facingSense(corner);
  return values.map((value, j) => {
    const theta = placeAngle(props, j);
    const dot = pointAt(value === null ? RADIUS.base : radiusOf(value, scale), theta, sense);
    const label = pointAt(RADIUS.label, theta, sense);
    const state = j === active ? 'active' : value === null ? '' : 'read';
    const suspect = suspects?.includes(j) ?? false;
    return (
      <g
        key={j}
        className={`place ${state}`}
        onClick={onPick && (() => onPick(j))}
        data-position={j + 1}
      >
        {onPick && <circle className="hit" cx={dot.x} cy={dot.y} r={20} />}
        <circle className="dot" cx={dot.x} cy={dot.y} r={j === active ? 8 : 4.5} />
        {suspect && (
          <circle
            cx={dot.x}
            cy={dot.y}
            r={13}
            fill="none"
            stroke="var(--zh-berry)"
            strokeWidth={2.5}
            strokeDasharray="4 3"
          />
        )}
        <text
          x={label.x}
          y={label.y + 4.5}
          textAnchor="middle"

          fontWeight={j === active ? 800 : 400}
        >
          {j + 1}
        </text>
      </g>
    );
  });
}

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

/**
 * The rotor seen from outboard: studs, chalk mark at stud 1, positions in the sense of the
 * corner, and the readings as an exaggerated outline with the limit as a band.
 */
export function RotorFace(props: RotorFaceProps) {
  const { corner, values, limit, label, move, fastening } = props;
  const sense = facingSense(corner);
  const read = values.filter((value) => value !== null);
  const between = (props.marks ?? []).flatMap(({ value }) => (value === null ? [] : [value]));
  const scale = props.scale ?? exaggerationOf([...read, ...between], limit);
  const whole = read.length === values.length && read.length > 0;
  const angles = values.map((_, j) => placeAngle(props, j));
  const bandWidth = (2 * RADIUS.swing * (limit / 2)) / scale.half;
  const high = whole ? read.indexOf(Math.max(...read)) : -1;
  const low = whole ? read.indexOf(Math.min(...read)) : -1;
  // While the wheel turns the dial says where it is high, not the places.
  const hasSpots = whole && !props.isPlain && !props.turning;
  const spoken = `${label}, seen from outboard. Position 1 is at the chalk mark, ${fastenerName(fastening)} 1; positions run ${sense === 1 ? 'clockwise' : 'counter-clockwise'}.${
    whole ? ` High spot at position ${high + 1}, low spot at position ${low + 1}.` : ''
  }`;
  return (
    <div className="zh-drawn">
      <svg className="zh-rotor" viewBox={`0 0 ${SIDE} ${SIDE}`} role="img" aria-label={spoken}>
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
        {whole && (
          <path
            className="outline"
            transform={`translate(${SIDE / 2} ${SIDE / 2})`}
            d={outlinePath(read, angles, sense, scale)}
          />
        )}
        {hasSpots && <Spot kind="high" theta={placeAngle(props, high)} corner={corner} />}
        {hasSpots && <Spot kind="low" theta={placeAngle(props, low)} corner={corner} />}
        {!props.isPlain && <Places {...props} scale={scale} />}
        {!props.isPlain && <Marks {...props} scale={scale} />}
        {props.turning && <SlowTurnArc corner={corner} turning={props.turning} />}
        {props.plateAt && <PlateMark {...props} plateAt={props.plateAt} />}
        {move && move.studs !== 0 && <MoveArc {...props} move={move} />}
      </svg>
    </div>
  );
}
