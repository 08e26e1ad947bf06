import type { ReactNode } from 'react';
import type { Shape } from '@/core/corner';

/** A row of heads of nuts or bolts, seen from the side. */
const heads = (y: number, width: number): ReactNode =>
  [-18, 0, 18].map((x) => (
    <path
      key={x}
      d={`M${x - width} ${y - 5}h${2 * width}v10h${-2 * width}z M${x - 2} ${y + 5}v9`}
    />
  ));

/**
 * Parts of a corner seen along the axis from the side, outboard up: 56 wide and 36 high about their
 * middle. Drawn for this program.
 */
export const SHAPE: Readonly<Record<Shape, ReactNode>> = {
  wheel: (
    <>
      <rect x={-28} y={-16} width={56} height={32} rx={9} />
      <path d="M-20 -9h40 M-20 9h40 M-6 -9v18 M6 -9v18" />
    </>
  ),
  nuts: heads(-4, 5),
  cap: <path d="M-12 8c0 -22 24 -22 24 0z M-12 8h24" />,
  clip: <path d="M-16 10c0 -26 32 -26 32 0 M-16 10h6 M10 10h6" fill="none" />,
  bearing: (
    <>
      <path d="M-18 -9h36l-5 18h-26z" />
      <circle cx={-8} r={5} />
      <circle cx={8} r={5} />
    </>
  ),
  screw: <path d="M-8 -9h16l-5 8v12h-6v-12z" />,
  rotor: (
    <>
      <path d="M-28 -2h56v5h-56z M-28 7h56v5h-56z M-13 -14h26v12h-26z" />
      <path d="M-22 3v4 M-14 3v4 M14 3v4 M22 3v4" />
    </>
  ),
  drum: <path d="M-28 14v-26h56v26h-6v-20h-44v20z" />,
  shoes: (
    <path d="M-24 12v-18c0 -6 8 -8 18 -8v6c-8 0 -10 1 -10 5v15z M24 12v-18c0 -6 -8 -8 -18 -8v6c8 0 10 1 10 5v15z" />
  ),
  spring: <path d="M-24 0l5 -8 6 16 6 -16 6 16 6 -16 6 16 6 -16 5 8" fill="none" />,
  adjuster: <path d="M-26 -4h18v-5h6v5h24v8h-24v5h-6v-5h-18z" />,
  cylinder: <path d="M-20 -9h40v18h-40z M-27 -4h7v8h-7z M20 -4h7v8h-7z" />,
  plate: <path d="M-28 -6h56v6h-18v8h-20v-8h-18z" />,
  hub: (
    <path d="M-20 -2h40v7h-12v10h-16v-10h-12z M-15 -14v12 M0 -14v12 M15 -14v12 M-6 -7h12v5h-12z" />
  ),
  knuckle: <path d="M-10 -14h20v8l14 6v8h-18v8h-12v-8h-18v-8l14 -6z" />,
  axle: <path d="M-8 -14h16v10h16v10h-48v-10h16z M-4 6v10h8v-10" />,
  'pad-outer': <path d="M-24 -9h48v6h-48z M-20 -3h40v11h-40z" />,
  'pad-inner': <path d="M-20 -9h40v11h-40z M-24 2h48v6h-48z" />,
  sensor: <path d="M-16 10h10v-14h8v6c0 8 10 8 16 0" fill="none" />,
  bracket: <path d="M-28 -12h12v10h32v-10h12v20h-14v6h-28v-6h-14z" />,
  bolts: <path d="M-16 -10h12v7h-3v14h-6v-14h-3z M4 -10h12v7h-3v14h-6v-14h-3z" />,
  pin: <path d="M-26 -4h8v8h-8z M-18 -2.5h34v5h-34z M16 -6c6 0 10 3 10 6s-4 6 -10 6z" />,
  caliper: <path d="M-28 -15h52v7h-44v5h24v18h-14v-8h-18z M-4 -3v18" />,
  'caliper-fixed': <path d="M-28 -16h56v9h-20v14h20v9h-56v-9h20v-14h-20z M-18 -7v4 M18 -7v4" />,
  bleeder: <path d="M-5 -12h10v5h3v7h-4v12h-8v-12h-4v-7h3z" />,
  hose: <path d="M-24 12c12 0 8 -24 22 -24s10 20 26 14" fill="none" strokeWidth={6} />,
  tray: <path d="M-26 -6h52l-6 18h-40z M-14 -6v-6h28v6" />,
};
