import type { AxleLimits } from '../assessment';
import type { BenchFaults, VirtualCorner } from '../bench';
import { CORNERS, type Corner } from '../readings';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { apartCorner, type Source } from './apartCase';
import type { BenchFault } from './benchWork';
import { chanceOf, writeCode, type CaseCode } from './code';
import { DISCARD, NOMINAL } from './draw';
import { clearCorner, drawFaults } from './readCase';
import { truthOf, type CornerTruth } from './truth';

/** A corner whose truth is known, and what is wrong at its bench. */
export interface PracticeCase extends CaseCode {
  readonly code: string;
  readonly corner: Corner;
  readonly studs: number;
  readonly limits: AxleLimits;
  readonly truth: CornerTruth;
  readonly virtual: VirtualCorner;
  readonly faults: Readonly<Partial<Record<BenchFault, BenchFaults>>>;
  /** Of level “apart”: where its runout comes from. */
  readonly source: Source | null;
}

/** The case of a code: the same for the same code, anywhere. */
export function caseOf(own: CaseCode): PracticeCase {
  const random = chanceOf(own);
  const studs = random.uniform() < 0.8 ? 5 : 4;
  const apart = own.level === 'apart' ? apartCorner(random, studs) : null;
  const virtual = apart?.virtual ?? clearCorner(random, studs);
  const known = (value: Micrometres) => ({ value, source: 'maker' as const });
  return {
    ...own,
    code: writeCode(own),
    corner: CORNERS[Math.floor(CORNERS.length * random.uniform())]!,
    studs,
    limits: {
      nominal: known(NOMINAL),
      discard: known(DISCARD),
      runout: known(WORKSHOP_DEFAULTS.runout),
      dtv: known(WORKSHOP_DEFAULTS.thicknessVariation),
    },
    truth: truthOf(virtual),
    virtual,
    faults: apart?.faults ?? drawFaults(random, own.subject),
    source: apart?.source ?? null,
  };
}
