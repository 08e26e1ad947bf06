import { LENGTH_KINDS, type LengthKind } from '../readings';
import type { LengthRole } from '../units';

/** The figures of an axle in the order they are asked, each with its kind and role. */
export const LIMIT_FIELDS = [
  { kind: 'nominal', name: 'Nominal thickness (new)', role: 'size', of: LENGTH_KINDS.thickness },
  { kind: 'machineTo', name: 'Machine-to thickness', role: 'size', of: LENGTH_KINDS.thickness },
  { kind: 'discard', name: 'Discard thickness', role: 'size', of: LENGTH_KINDS.thickness },
  { kind: 'runout', name: 'Installed lateral runout', role: 'deviation', of: LENGTH_KINDS.limit },
  { kind: 'dtv', name: 'Thickness variation (DTV)', role: 'deviation', of: LENGTH_KINDS.limit },
  { kind: 'radius', name: 'Rotor radius measured at', role: 'size', of: LENGTH_KINDS.radius },
  { kind: 'piston', name: 'Caliper piston diameter', role: 'size', of: LENGTH_KINDS.piston },
  { kind: 'drumNominal', name: 'Drum diameter (new)', role: 'size', of: LENGTH_KINDS.drum },
  { kind: 'drumMachineTo', name: 'Drum machine-to diameter', role: 'size', of: LENGTH_KINDS.drum },
  { kind: 'drumDiscard', name: 'Drum wear limit', role: 'size', of: LENGTH_KINDS.drum },
  { kind: 'drumRound', name: 'Drum out of round', role: 'deviation', of: LENGTH_KINDS.limit },
] as const satisfies readonly {
  kind: string;
  name: string;
  role: LengthRole;
  of: LengthKind;
}[];

export type LimitField = (typeof LIMIT_FIELDS)[number]['kind'];

/** Whether a figure is one of a drum: an axle has those of its drums or those of its rotors. */
export const isOfDrum = (kind: LimitField): boolean => kind.startsWith('drum');

/** Thicknesses and diameters whose order says whether two were swapped. */
export type OrderedFigure =
  | 'discard'
  | 'machineTo'
  | 'nominal'
  | 'drumDiscard'
  | 'drumMachineTo'
  | 'drumNominal';

/**
 * What figures of one rotor or drum cannot stand beside each other, and why, in words: machine-to
 * below discard, new below either; of a drum, which wears wider, the other way round. `of` answers in
 * micrometres. Source: handbook 9, 14.
 */
export function wrongOrder(
  of: (kind: OrderedFigure) => number | undefined,
): { readonly kind: OrderedFigure; readonly message: string }[] {
  const [low, cut, full] = [of('discard'), of('machineTo'), of('nominal')];
  const floor = cut ?? low;
  return [
    ...(cut !== undefined && low !== undefined && cut < low
      ? [
          {
            kind: 'machineTo' as const,
            message: 'Machine-to is below discard thickness. Are the two swapped?',
          },
        ]
      : []),
    ...(full !== undefined && floor !== undefined && full < floor
      ? [
          {
            kind: 'nominal' as const,
            message: 'Nominal is below the other thicknesses. Are they swapped?',
          },
        ]
      : []),
    ...wrongDrum(of('drumNominal'), of('drumMachineTo'), of('drumDiscard')),
  ];
}

/** Diameters of one drum that cannot stand beside each other. */
function wrongDrum(
  fresh: number | undefined,
  cut: number | undefined,
  worn: number | undefined,
): { readonly kind: OrderedFigure; readonly message: string }[] {
  const most = cut ?? worn;
  return [
    ...(cut !== undefined && worn !== undefined && cut > worn
      ? [
          {
            kind: 'drumMachineTo' as const,
            message: 'A drum is machined to less than its wear limit. Are the two swapped?',
          },
        ]
      : []),
    ...(fresh !== undefined && most !== undefined && fresh > most
      ? [
          {
            kind: 'drumNominal' as const,
            message: 'A new drum is smaller than a worn one. Are the figures swapped?',
          },
        ]
      : []),
  ];
}

/** What belongs to rotor and caliper, and to no drum. */
export const OF_ROTOR: readonly string[] = [
  'riveted',
  'drum-in-hat',
  'screw-in-pistons',
  'wear-sensor',
  'two-piece',
  'composite',
  'press-pins',
  'pivoting',
];

/** How an axle is built, as far as it is said. */
interface Build {
  readonly traits: readonly string[];
  readonly places?: string | undefined;
  readonly caliper?: string | undefined;
}

/** What of a build cannot be with the rest of it, and why, in words. Source: handbook 8, 14. */
export function wrongBuild({
  traits,
  places,
  caliper,
}: Build): { readonly what: 'places' | 'caliper'; readonly message: string }[] {
  // Nothing is indexed at a drum, wherever it goes on.
  const isOnePiece =
    caliper !== 'drum' && (traits.includes('bearing-in-rotor') || traits.includes('riveted'));
  return [
    ...(isOnePiece && places === 'any'
      ? [
          {
            what: 'places' as const,
            message: 'A rotor that carries its bearings or is riveted goes on in one place only.',
          },
        ]
      : []),
    ...(traits.includes('screw-in-pistons') && caliper === 'fixed'
      ? [
          {
            what: 'caliper' as const,
            message: 'Screw-in pistons belong to floating calipers. Which of the two is it?',
          },
        ]
      : []),
    ...(caliper === 'fixed' && traits.some((each) => each === 'press-pins' || each === 'pivoting')
      ? [
          {
            what: 'caliper' as const,
            message: 'A fixed caliper neither slides on pins nor pivots. Which of the two is it?',
          },
        ]
      : []),
    ...(caliper === 'drum' && traits.some((each) => OF_ROTOR.includes(each))
      ? [
          {
            what: 'caliper' as const,
            message: 'A drum has no rotor, caliper or pads: take off what belongs to them below.',
          },
        ]
      : []),
  ];
}

/** Whether a number can be a model year. */
export const isModelYear = (year: number): boolean =>
  Number.isInteger(year) && year >= 1900 && year <= 2100;
