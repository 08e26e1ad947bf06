import type { ReactNode } from 'react';
import styles from './strip.module.css';

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 2 } as const;
const mark = { fill: 'none', stroke: 'var(--zh-berry)', strokeWidth: 2.5 } as const;
const stain = { fill: 'var(--zh-berry)', fillOpacity: 0.55, stroke: 'none' } as const;

/** A rotor face from outboard, with what is to be seen on it. */
const face = (seen: ReactNode, around: ReactNode = null): ReactNode => (
  <>
    <circle cx={50} cy={50} r={42} {...line} />
    {seen}
    <circle cx={50} cy={50} r={19} {...line} />
    <circle cx={50} cy={50} r={7} {...line} />
    {around}
  </>
);
/** A rotor cut through at its rim: two faces and the fins between them. */
const rim = (seen: ReactNode): ReactNode => (
  <>
    <path d="M12 30H88V42H12ZM12 58H88V70H12Z" {...line} />
    {seen}
  </>
);
/** A pad from its edge: backing plate below, lining above. */
const pad = (seen: ReactNode): ReactNode => (
  <>
    <path d="M12 66H88V76H12Z" {...line} />
    {seen}
  </>
);
const lining = <path d="M18 40H82V66H18Z" {...line} />;
const hose = (seen: ReactNode): ReactNode => (
  <>
    <path d="M6 40H20V60H6ZM80 40H94V60H80Z" {...line} />
    {seen}
  </>
);
const tube = <path d="M20 44H80M20 56H80" {...line} />;
/** A hub face from outboard with five studs. */
const hub = (seen: ReactNode): ReactNode => (
  <>
    <circle cx={50} cy={50} r={40} {...line} />
    <circle cx={50} cy={50} r={14} {...line} />
    {[0, 72, 144, 216, 288].map((angle) => (
      <circle key={angle} cx={50} cy={23} r={4.5} transform={`rotate(${angle} 50 50)`} {...line} />
    ))}
    {seen}
  </>
);

/** Our own plain drawings of what can be found, by the name that the procedure gives them. */
const DRAWINGS: Readonly<Record<string, ReactNode>> = {
  film: face(
    <path
      d="M50 10a40 40 0 0 1 30 14L66 38a20 20 0 0 0-16-8ZM14 66a40 40 0 0 0 20 20l8-18a20 20 0 0 1-10-9Z"
      {...stain}
    />,
  ),
  spots: face(
    [20, 80, 140, 200, 260, 320].map((angle) => (
      <ellipse
        key={angle}
        cx={50}
        cy={19}
        rx={6}
        ry={4.5}
        transform={`rotate(${angle} 50 50)`}
        {...stain}
      />
    )),
  ),
  glaze: face(
    <path d="M22 40a30 30 0 0 1 18-18M28 46a24 24 0 0 1 16-18M78 60a30 30 0 0 1-18 18" {...mark} />,
  ),
  footprint: face(<path d="M24 22a38 38 0 0 1 52 0L63 35a20 20 0 0 0-26 0Z" {...mark} />),
  oil: face(<path d="M66 22c8 10 14 16 14 24a12 12 0 0 1-24 0c0-8 4-14 10-24Z" {...stain} />),
  'one-side': rim(<path d="M12 70H88M20 70v6M32 70v4M44 70v7M56 70v4M68 70v6M80 70v4" {...mark} />),
  grooves: face(
    <>
      <circle cx={50} cy={50} r={36} {...mark} />
      <circle cx={50} cy={50} r={31} {...mark} />
      <circle cx={50} cy={50} r={26} {...mark} />
    </>,
  ),
  lip: (
    <>
      <path d="M10 34H72V28H88V72H72V66H10" {...line} />
      <path d="M72 34V28H88" {...mark} />
    </>
  ),
  pits: face(
    [
      [34, 20],
      [62, 16],
      [80, 40],
      [76, 66],
      [40, 80],
      [18, 52],
      [24, 34],
    ].map(([x, y]) => <circle key={x} cx={x} cy={y} r={2.6} {...stain} />),
  ),
  scale: face(
    null,
    <path d="M50 6l6 4 7-1 5 5 7 1 3 7 6 3 1 7 5 5M6 50l2 8 1 7 6 4 2 7 7 3" {...mark} />,
  ),
  crazing: face(
    <path
      d="M44 16l4 6 6-4 4 7M72 30l-4 6 6 4-3 6M28 66l6-2 3 6 6-3M60 74l4-5 6 3"
      {...mark}
      strokeWidth={1.3}
    />,
  ),
  crack: face(<path d="M70 30l6-4 3-7 6-3M30 68l-6 4-2 8-6 2" {...mark} strokeWidth={3} />),
  fins: rim(
    <>
      <path d="M20 42V58M34 42V58M48 42V58M62 42V58M76 42V58" {...line} strokeWidth={5} />
      <path d="M20 46h3M34 52h3M48 45h3M62 54h3M76 48h3" {...mark} />
    </>,
  ),
  'fins-rotted': rim(
    <>
      <path d="M20 42V58M62 42V58" {...line} strokeWidth={5} />
      <path d="M34 42V46M34 55V58M48 42V45M48 56V58M76 42V48M76 56V58" {...mark} />
    </>,
  ),
  vanes: face(
    [0, 60, 120, 180, 240, 300].map((angle) => (
      <path
        key={angle}
        d="M50 30C56 24 58 16 56 10"
        transform={`rotate(${angle} 50 50)`}
        {...mark}
      />
    )),
    <path d="M88 12a48 48 0 0 1 8 22l-5-3M96 34l3-5" {...line} />,
  ),
  'pad-glazed': pad(
    <>
      {lining}
      <path d="M22 40H78M28 46l8-6M44 46l8-6M60 46l8-6" {...mark} />
    </>,
  ),
  'pad-cracked': pad(
    <>
      {lining}
      <path d="M46 40l4 8-5 8 6 10" {...mark} />
    </>,
  ),
  'pad-lifting': pad(<path d="M18 34L82 40V66L18 58Z" {...mark} />),
  'pad-rivets': pad(
    <>
      <path d="M18 60H82V66H18Z" {...line} />
      <path d="M28 60v-4h8v4M64 60v-4h8v4" {...mark} />
    </>,
  ),
  abutment: (
    <>
      <path d="M14 20V80H40V58H66V42H40V20Z" {...line} />
      <path d="M44 40c4-6 8 0 12-4s6 2 10-1M44 60c4 5 8 0 12 4s6-2 10 1" {...mark} />
    </>
  ),
  pins: (
    <>
      <path d="M10 28H84M10 36H84M84 25V39M10 64H84M10 72H84M84 61V75" {...line} />
      <path d="M12 24H34V40H12Z" {...mark} />
    </>
  ),
  square: (
    <>
      <path d="M46 8V92M54 8V92" {...line} />
      <path d="M22 30L34 26L40 70L28 74ZM60 26L72 22L78 66L66 70Z" {...mark} />
    </>
  ),
  'hose-cracked': hose(
    <>
      {tube}
      <path d="M34 44l2 5M44 44l2 6M54 56l2-5M64 56l2-6" {...mark} />
    </>,
  ),
  'hose-bulged': hose(
    <path d="M20 44H38c4-10 20-10 24 0H80M20 56H38c4 10 20 10 24 0H80" {...mark} />,
  ),
  'hose-twisted': hose(
    <>
      {tube}
      <path d="M24 56L34 44M40 56L50 44M56 56L66 44" {...mark} />
    </>,
  ),
  'seat-rust': hub(<path d="M58 66c8-4 18 0 20 8-8 8-20 12-26 8 2-6 0-12 6-16Z" {...stain} />),
  burr: hub(<path d="M70 62l5 7-8 2Z" {...stain} />),
  'straight-edge': (
    <>
      <path d="M8 36H92V44H8Z" {...line} />
      <path d="M10 78V46C34 60 66 60 90 46V78Z" {...line} />
      <path d="M32 52c10 4 26 4 36 0" {...mark} />
    </>
  ),
};

export const hasDrawing = (name: string): boolean => name in DRAWINGS;

/** A plain drawing of a condition; nothing where words are enough. */
export function ConditionDrawing({ name }: { readonly name: string | undefined }) {
  if (name === undefined || !hasDrawing(name)) return null;
  return (
    <svg className={styles.drawing} viewBox="0 0 100 100" width={88} height={88} aria-hidden="true">
      {DRAWINGS[name]}
    </svg>
  );
}
