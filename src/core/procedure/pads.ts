import type { Micrometres } from '../units';

/** Lining thickness at the four places of a corner; null where it was not measured. */
export interface PadFigures {
  readonly innerLeading: Micrometres | null;
  readonly innerTrailing: Micrometres | null;
  readonly outerLeading: Micrometres | null;
  readonly outerTrailing: Micrometres | null;
}

/** What pad thickness says, with the difference it rests on in micrometres. */
export interface PadMeaning {
  readonly kind: 'inner-outer' | 'taper' | 'side';
  readonly by: Micrometres;
  readonly say: string;
  readonly means: string;
}

const DIFFERENCE: Micrometres = 2000;
const SHARE = 0.25;
const TAPER: Micrometres = 1500;

const meanOf = (values: readonly (number | null)[]): number | null => {
  const known = values.filter((value) => value !== null);
  return known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0) / known.length;
};

/** Whether two thicknesses differ by more than 2 mm or a quarter of the thicker one. */
const differ = (a: number, b: number): boolean =>
  Math.abs(a - b) > DIFFERENCE || Math.abs(a - b) > SHARE * Math.max(a, b);

function tapers(name: string, leading: number | null, trailing: number | null): PadMeaning[] {
  if (leading === null || trailing === null || Math.abs(leading - trailing) <= TAPER) return [];
  return [
    {
      kind: 'taper',
      by: Math.abs(leading - trailing),
      say: `${name} pad tapers towards its ${leading < trailing ? 'leading' : 'trailing'} end`,
      means: 'The bracket is worn or bent.',
    },
  ];
}

/**
 * What the pads' thickness says: inner against outer (slide or piston), along a pad (bracket),
 * and this side against the other of the axle. Nothing is said of what was not measured.
 * Lengths in micrometres. Source: handbook 14.
 */
export function padMeanings(own: PadFigures, other: PadFigures | null): PadMeaning[] {
  const inner = meanOf([own.innerLeading, own.innerTrailing]);
  const outer = meanOf([own.outerLeading, own.outerTrailing]);
  const meanings: PadMeaning[] = [];
  if (inner !== null && outer !== null && differ(inner, outer)) {
    meanings.push({
      kind: 'inner-outer',
      by: Math.abs(inner - outer),
      say: `${inner < outer ? 'Inner' : 'Outer'} pad is worn more`,
      means:
        inner < outer
          ? 'The caliper does not slide, or the piston does not let go: look at the pins first.'
          : 'The caliper does not slide back: look at the pins, then at the piston.',
    });
  }
  meanings.push(
    ...tapers('Inner', own.innerLeading, own.innerTrailing),
    ...tapers('Outer', own.outerLeading, own.outerTrailing),
  );
  const here = meanOf([inner, outer]);
  const there =
    other &&
    meanOf([
      meanOf([other.innerLeading, other.innerTrailing]),
      meanOf([other.outerLeading, other.outerTrailing]),
    ]);
  if (here !== null && there !== null && differ(here, there)) {
    meanings.push({
      kind: 'side',
      by: Math.abs(here - there),
      say: `Pads are ${here < there ? 'thinner' : 'thicker'} than on the other side`,
      means:
        'One side brakes more than the other: pins, piston or hose of the thin side drag, or the thick side does not work.',
    });
  }
  return meanings;
}

/** The thinnest of the four, or null where none was measured. */
export function thinnestPad(pads: PadFigures): Micrometres | null {
  const known = Object.values(pads).filter((value): value is number => value !== null);
  return known.length === 0 ? null : Math.min(...known);
}
