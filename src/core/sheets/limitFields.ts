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
] as const satisfies readonly {
  kind: string;
  name: string;
  role: LengthRole;
  of: LengthKind;
}[];

export type LimitField = (typeof LIMIT_FIELDS)[number]['kind'];

/**
 * What thicknesses of one rotor cannot stand beside each other, and why, in words: machine-to below
 * discard, new below either. `of` answers in micrometres. Source: handbook 9.
 */
export function wrongOrder(
  of: (kind: 'discard' | 'machineTo' | 'nominal') => number | undefined,
): { readonly kind: 'machineTo' | 'nominal'; readonly message: string }[] {
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
  ];
}

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
  const isOnePiece = traits.includes('bearing-in-rotor') || traits.includes('riveted');
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
  ];
}

/** Whether a number can be a model year. */
export const isModelYear = (year: number): boolean =>
  Number.isInteger(year) && year >= 1900 && year <= 2100;
