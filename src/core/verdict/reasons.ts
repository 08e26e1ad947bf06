import { formatIn, type Celsius, type Degrees, type Micrometres, type UnitSystem } from '../units';

/** Something that bears on a verdict, as data; put into words by `describeReason`. */
export type Reason =
  | { code: 'closure'; lap: number; error: Micrometres; allowed: Micrometres }
  | { code: 'repeatability'; value: Micrometres; allowed: Micrometres }
  | { code: 'end-play'; value: Micrometres; limit: Micrometres }
  | { code: 'few-positions'; n: number }
  | { code: 'folded-order'; order: number; folded: number; n: number }
  | { code: 'outlier'; position: number; residual: Micrometres }
  | { code: 'hot'; temperature: Celsius }
  | { code: 'temperature'; temperature: Celsius; correction: Micrometres }
  | { code: 'slip'; lap: number; error: Micrometres; noise: Micrometres }
  | { code: 'laps-scatter'; value: Micrometres; allowed: Micrometres }
  | { code: 'misfit'; value: Micrometres; allowed: Micrometres }
  | { code: 'press'; value: Micrometres }
  | { code: 'at-places' }
  | { code: 'turn-again' }
  | { code: 'sweep-again' }
  | { code: 'sweep-scatter'; value: Micrometres; allowed: Micrometres }
  | { code: 'sweep-spot'; angleDeg: Degrees; residual: Micrometres }
  /** The slowest stretch, from 1 at the chalk mark, and how much slower than the fastest. */
  | { code: 'sweep-uneven'; stretch: number; ratio: number }
  | { code: 'sweep-by-ends' }
  | { code: 'sweep-gap'; from: Degrees; to: Degrees }
  | { code: 'turn-short'; turned: Micrometres; read: Micrometres }
  | { code: 'read-next'; angles: readonly [Degrees, Degrees] }
  | { code: 'not-settled' }
  | { code: 'zero-error'; value: Micrometres }
  | { code: 'thicker-than-new'; value: Micrometres; nominal: Micrometres }
  | { code: 'cross-check'; position: number; by: Micrometres; allowed: Micrometres }
  | { code: 'not-prepared'; items: readonly string[] }
  | { code: 'overdue'; gauge: string; due: string }
  | { code: 'not-closed' }
  | { code: 'virtual' }
  | { code: 'settle'; laps: number }
  /** `needs`: the guard band with which it would be settled; left out where it is not known. */
  | { code: 'gauge-too-coarse'; needs?: Micrometres | undefined }
  | { code: 'not-taken'; what: string }
  | { code: 'machine-to-derived'; reserve: Micrometres }
  | { code: 'below-discard'; min: Micrometres; discard: Micrometres }
  | { code: 'too-thin-after-cut'; by: Micrometres }
  | { code: 'too-close-to-cut'; margin: Micrometres; guardBand: Micrometres }
  | { code: 'scores-at-lowest' }
  | { code: 'thickness-interpolated' }
  | { code: 'hub-unknown' }
  | { code: 'inconsistent' }
  | { code: 'order-not-separated'; order: number }
  | { code: 'measure-next'; shift: number }
  | { code: 'predicted'; probability: number };

/** How a length is to be written in a sentence. */
export type SayLength = (value: Micrometres) => string;

/** Lengths in micrometres, for the contracts and the command line. */
export const sayMicrometres: SayLength = (value) => `${(value as number).toFixed(1)} \u00b5m`;

type Sentences = {
  [Code in Reason['code']]: (reason: Extract<Reason, { code: Code }>, say: SayLength) => string;
};

/** No gauge of a workshop is surer than this. */
const FINEST_BAND: Micrometres = 1;

const sayNeeds = (needs: Micrometres, say: SayLength): string =>
  needs < FINEST_BAND
    ? ' It lies at the limit itself: no gauge of a workshop would.'
    : ` One that is sure within ${say(needs)} would.`;

const SENTENCES: Sentences = {
  closure: (r, say) =>
    `Lap ${r.lap + 1} did not close: ${say(Math.abs(r.error))} against ${say(r.allowed)} allowed. The base moved or the rotor is loose. Fix it and take the lap again.`,
  repeatability: (r, say) =>
    `The laps differ by ${say(r.value)} where ${say(r.allowed)} is allowed. Check the base, the probe and the nuts.`,
  'end-play': (r, say) =>
    `End play ${say(r.value)} is over its limit ${say(r.limit)}: runout is not valid until the bearing is put right.`,
  'few-positions': (r) =>
    `${r.n} positions are too few to trust thickness variation or second order. Take 12.`,
  'folded-order': (r) =>
    `At ${r.n} positions the nut-pull order ${r.order} looks like order ${r.folded} and cannot be told from it. Take at least ${2 * r.order + 1}.`,
  outlier: (r, say) =>
    `The reading at position ${r.position + 1} stands ${say(Math.abs(r.residual))} off from the others: dirt, a slot or hole under the probe, or a slip in sign or decimal point. Look, and read it again.`,
  hot: (r) =>
    `The rotor is at ${(r.temperature as number).toFixed(0)} \u00b0C. Let it cool below 50 \u00b0C and measure again.`,
  temperature: (r, say) =>
    `Read at ${(r.temperature as number).toFixed(0)} \u00b0C: corrected to 20 \u00b0C by ${say(r.correction)}.`,
  slip: (r, say) =>
    `Lap ${r.lap + 1} closed ${say(Math.abs(r.error))} off, more than the gauge explains (${say(r.noise)}): the base may have slipped once. Take one more lap, without zeroing the dial.`,
  'laps-scatter': (r, say) =>
    `The laps do not repeat: they differ by ${say(r.value)} where the gauge explains ${say(r.allowed)}. Play in the bearing, a loose base or a sticking probe.`,
  misfit: (r, say) =>
    `The readings lie ${say(r.value)} off a smooth curve where the gauge explains ${say(r.allowed)}: play in the bearing, a loose base, a sticking probe, or a rough face. A second lap tells which.`,
  press: (r, say) =>
    `Push and pull shows ${say(r.value)}: press the wheel inboard at each reading, and say so.`,
  'at-places': () =>
    'This is at the places read: one slow turn would settle what lies between them.',
  'sweep-again': () => 'Sweep once more, without zeroing the dial.',
  'sweep-scatter': (r, say) =>
    `Readings beside each other differ by ${say(r.value)} where the gauge explains ${say(r.allowed)}: play in the bearing, a sticking probe, a loose base, or a face as rough as that. Look, and turn more slowly.`,
  'sweep-spot': (r, say) =>
    `At ${Math.round(r.angleDeg as number)}° the face stands ${say(Math.abs(r.residual))} off the rest of the turn: dirt, a slot or hole under the probe, or a wrong reading. It counts in the runout. Look, and sweep again.`,
  'sweep-uneven': (r) =>
    `From stud ${r.stretch} on the wheel was turned ${r.ratio.toFixed(1)} times as slowly as elsewhere: where the places between two studs lie is only as sure as the turn was even there.`,
  'sweep-by-ends': () =>
    'No stud was marked as it passed: where the high spot lies is only as sure as the turn was even.',
  'sweep-gap': (r) =>
    `From ${Math.round(r.from as number)}° to ${Math.round(r.to as number)}° of the turn no reading came: what stands out there is not seen.`,
  'turn-short': (r, say) =>
    `The slow turn shows ${say(r.turned)}, the places alone ${say(r.read)}: it was not stopped at its highest and lowest, and does not count. Turn once more.`,
  'turn-again': () =>
    'Turn slowly once more, stop at the highest and at the lowest place, and read both.',
  'read-next': (r) =>
    `Not settled yet: read at ${[...new Set(r.angles.map((angle) => `${(angle as number).toFixed(1)}°`))].join(' and at ')} next, where it may be thickest and thinnest.`,
  'not-settled': () =>
    'Sixteen readings did not settle it: it lies too near its limit for this micrometer.',
  'zero-error': (r, say) =>
    `The micrometer showed ${say(r.value)} when closed: it is taken out of every reading. Set its zero.`,
  'thicker-than-new': (r, say) =>
    `${say(r.value)} is thicker than new (${say(r.nominal)}): check the unit, the micrometer\u2019s zero and whether this is the right rotor.`,
  'cross-check': (r, say) =>
    `Outboard less inboard runout misses the thickness by ${say(Math.abs(r.by))} at position ${r.position + 1} where ${say(r.allowed)} is allowed: one of the three is wrong, or the rotor is not seated.`,
  'not-prepared': (r) => `Left out before reading: ${r.items.join('; ')}.`,
  overdue: (r) => `Calibration of \u201c${r.gauge}\u201d ran out on ${r.due}.`,
  'not-closed': () =>
    'Position 1 was not read again at the end: whether the base moved is not known.',
  virtual: () => 'Read with a virtual gauge: practice, not a measurement of this vehicle.',
  settle: (r) => `${r.laps} laps in all would settle it.`,
  'gauge-too-coarse': ({ needs }, say) =>
    `No number of laps would settle it: the gauge is too coarse.${needs === undefined ? '' : sayNeeds(needs, say)}`,
  'not-taken': (r) => `${r.what} was not measured.`,
  'machine-to-derived': (r, say) =>
    `No machine-to thickness is known: discard thickness plus ${say(r.reserve)} wear reserve is used (workshop default).`,
  'below-discard': (r, say) =>
    `The thinnest place, ${say(r.min)}, is below the discard thickness ${say(r.discard)}: replace the rotor. The vehicle does not leave on it.`,
  'too-thin-after-cut': (r, say) =>
    `The cut would end ${say(r.by)} below the machine-to thickness: do not machine, replace.`,
  'too-close-to-cut': (r, say) =>
    `The cut would end within ${say(r.guardBand)} of the machine-to thickness, too close for the micrometer to prove: do not machine.`,
  'scores-at-lowest': () => 'Scores are taken to lie at the lowest place, which is the safe side.',
  'thickness-interpolated': () =>
    'Thickness was read at other places than the face: it is taken between its own places, and lowered to the thinnest one.',
  'hub-unknown': () =>
    'Hub and rotor are not separated: the cut is planned for the worst case of the hub share.',
  inconsistent: () =>
    'The rotor did not seat the same way twice: dirt, burr, bent stud, or nuts not drawn up evenly. Clean, refit, measure again.',
  'order-not-separated': (r) =>
    `Order ${r.order} cannot be told apart between hub and rotor from these mountings; the band allows for both.`,
  'measure-next': (r) =>
    `Measure a second mounting, ${r.shift} stud spacings on, to tell hub from rotor.`,
  predicted: (r) => `Probability of ending within: ${Math.round(r.probability * 100)} %.`,
};

/** One reason as a sentence, with lengths written by `say`. */
export function describeReason(reason: Reason, say: SayLength): string {
  // The table is keyed by the reason's own code, so the sentence fits the reason.
  const sentence = SENTENCES[reason.code] as (reason: Reason, say: SayLength) => string;
  return sentence(reason, say);
}

/** From here on a length is that of a part, not a deviation. */
const SIZE: Micrometres = 1000;

/** One reason as a sentence in a shop's units. */
export const sayReason = (reason: Reason, units: UnitSystem): string =>
  describeReason(reason, (um) => formatIn(units, Math.abs(um) < SIZE ? 'deviation' : 'size', um));
