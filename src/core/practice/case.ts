import type { AxleLimits } from '../assessment';
import type { BenchFaults, VirtualCorner } from '../bench';
import type { RandomSource } from '../numeric';
import { CORNERS, type Corner } from '../readings';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { apartCorner, type Source } from './apartCase';
import type { BenchFault } from './benchWork';
import { chanceOf, readCode, writeCode, type CaseCode, type CornerLevel } from './code';
import { decideCorner } from './decideCase';
import { DISCARD, NOMINAL } from './draw';
import { clearCorner, drawFaults } from './readCase';
import { truthOf, type CornerTruth } from './truth';
import { MACHINE_TO, RADIUS, type WayOutcome } from './ways';

/** A corner whose truth is known, and what is wrong at its bench. */
export interface PracticeCase extends CaseCode {
  readonly level: CornerLevel;
  readonly code: string;
  readonly corner: Corner;
  readonly studs: number;
  readonly limits: AxleLimits;
  readonly truth: CornerTruth;
  readonly virtual: VirtualCorner;
  readonly faults: Readonly<Partial<Record<BenchFault, BenchFaults>>>;
  /** Of level “apart”: where its runout comes from. */
  readonly source: Source | null;
  /** Of level “decide”: what every way comes to, and the luck of its tolerances. */
  readonly decision: { readonly ways: readonly WayOutcome[]; readonly luck: number } | null;
}

/** The code of a case of one corner. */
export type CornerCode = CaseCode & { readonly level: CornerLevel };

/** Whether a code is of one corner at its bench, not of a whole car. */
export const isOfCorner = (own: CaseCode): own is CornerCode => own.level !== 'find';

const known = (value: Micrometres) => ({ value, source: 'maker' as const });

/** Limits of a corner that nothing else is known of. */
export const CASE_LIMITS: AxleLimits = {
  nominal: known(NOMINAL),
  discard: known(DISCARD),
  runout: known(WORKSHOP_DEFAULTS.runout),
  dtv: known(WORKSHOP_DEFAULTS.thicknessVariation),
};
/** What is decided asks for what a cut may leave, and for the circle of the indicator. */
const DECIDED: AxleLimits = { ...CASE_LIMITS, machineTo: known(MACHINE_TO), radius: known(RADIUS) };

const anyCorner = (random: RandomSource): Corner =>
  CORNERS[Math.floor(CORNERS.length * random.uniform())]!;

/** What a level draws of its own, in the order that its codes have. */
function drawn(own: CornerCode, random: RandomSource, studs: number) {
  const none = { limits: CASE_LIMITS, source: null, decision: null };
  switch (own.level) {
    case 'apart': {
      const { virtual, faults, source } = apartCorner(random, studs);
      return { ...none, virtual, corner: anyCorner(random), faults, source };
    }
    case 'decide': {
      const corner = anyCorner(random);
      const { virtual, ways, luck } = decideCorner(random, studs, { corner, limits: DECIDED });
      return { ...none, virtual, corner, limits: DECIDED, faults: {}, decision: { ways, luck } };
    }
    case 'read': {
      const virtual = clearCorner(random, studs);
      const corner = anyCorner(random);
      return { ...none, virtual, corner, faults: drawFaults(random, own.subject) };
    }
  }
}

/** The corner’s case of a code: the same for the same code, anywhere. */
export function caseOf(own: CornerCode): PracticeCase {
  const random = chanceOf(own);
  const studs = random.uniform() < 0.8 ? 5 : 4;
  const made = drawn(own, random, studs);
  return { ...own, code: writeCode(own), studs, truth: truthOf(made.virtual), ...made };
}

/** The corner’s case of a code as it is written. Throws RangeError for another code. */
export function cornerCase(code: string): PracticeCase {
  const own = readCode(code);
  if (!own || !isOfCorner(own)) throw new RangeError(`${code} is no code of a corner`);
  return caseOf(own);
}
