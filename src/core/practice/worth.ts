import { dialShows, micrometerShows, type BenchFaults } from '../bench';
import { meanOf, numberedRandom } from '../numeric';
import { evenAngles } from '../readings';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { workOf, type BenchFault } from './benchWork';
import type { PracticeCase } from './case';

/** Laps over which chance is evened out. */
const LAPS = 20;
const PLACES = 12;

/** What a fault of the bench does to a figure. */
export interface FaultWorth {
  readonly what: 'runout' | 'least';
  /** How much more is read with that fault alone than with a bench in order; below zero: less. */
  readonly error: Micrometres;
  /** High and low change places: the figure may be right, where it stands out is not. */
  readonly isTurned: boolean;
}

/** Highest less lowest of a lap of the dial, or the thinnest place, on average. */
function readWith(own: PracticeCase, fault: BenchFault, faults: BenchFaults): Micrometres {
  const bench = { corner: own.virtual, faults };
  const { dialIndicator: dial, micrometer } = WORKSHOP_DEFAULTS;
  const isDial = workOf(fault).gauge === 'dial';
  const random = numberedRandom(own.seed);
  const laps = Array.from({ length: LAPS }, () => {
    const lap = evenAngles(PLACES).map((turn) =>
      isDial
        ? dialShows(bench, { shift: 0, face: 'outboard', turn, gauge: dial }, random)
        : micrometerShows(bench, { shift: 0, turn, gauge: micrometer }, random),
    );
    return isDial ? Math.max(...lap) - Math.min(...lap) : Math.min(...lap);
  });
  return meanOf(laps);
}

/**
 * What looking for a fault was worth: how far the figure would have been off, read with that fault alone and twelve
 * places as first marked; null for a fault that the bench of the case has not.
 */
export function worthOf(own: PracticeCase, fault: BenchFault): FaultWorth | null {
  const faults = own.faults[fault];
  if (!faults) return null;
  return {
    what: workOf(fault).gauge === 'dial' ? 'runout' : 'least',
    error: readWith(own, fault, faults) - readWith(own, fault, {}),
    isTurned: fault === 'other-face',
  };
}
