import { fastenerName } from '../readings';
import { formatIn, type Micrometres } from '../units';
import { describeReason } from '../verdict';
import type { Advice, AdviceOf } from './advice';
import { plural, sayMove, sayMoveTo, saySeat, type Wording } from './seatWords';

/** Minutes of work on the bench. Source: handbook 6. */
const MINUTES = { mounting: 6, lap: 1.5, hubFace: 3 } as const;
/** A mounting with its lap, in whole minutes. */
const sayMinutes = (minutes: number): string => `${Math.ceil(minutes)} minutes`;

/** An advice in one sentence to act on, and the reason in one or two more. */
export interface AdviceWords {
  readonly todo: string;
  readonly why: string;
}

type Speaker = {
  [Kind in Advice['kind']]: (
    advice: Extract<Advice, { kind: Kind }>,
    wording: Wording,
  ) => AdviceWords;
};

const deviation = (wording: Wording, value: Micrometres): string =>
  formatIn(wording.units, 'deviation', value);
const size = (wording: Wording, value: Micrometres): string =>
  formatIn(wording.units, 'size', value);

const settleWords = (laps: number | null): string =>
  laps === null
    ? 'No number of laps settles it with this gauge: use a finer one.'
    : `${plural(laps, 'lap')} in all would settle it.`;

const REPLACE_WHY = {
  'below-discard': (by: string) =>
    `It is ${by} below the discard thickness. The vehicle does not leave on it.`,
  'too-thin-to-cut': (by: string) => `It fails by ${by}: a cut would end below machine-to.`,
  'no-cut-cures': () => 'A cut would not bring the runout inside its limit.',
  condemned: (_by: string, reasons: string) => `Whatever it measures: ${reasons}.`,
  chosen: () => 'Of what may be done it has the lowest expected cost.',
  'no-cut-allowed': (_by: string, reasons: string) => `It may not be machined: ${reasons}.`,
} as const;

const MEASURE_WORDS: Readonly<Record<AdviceOf<'measure'>['what'], AdviceWords>> = {
  runout: {
    todo: 'Measure runout.',
    why: 'Nothing can be decided before the rotor was read on the hub.',
  },
  thickness: {
    todo: 'Measure thickness.',
    why: 'Read it at the same positions and mounting as the runout, so that a cut can be planned.',
  },
  'present-seat': {
    todo: 'Measure runout and thickness where the rotor sits now.',
    why: 'Laps of another seat plan no cut on the vehicle.',
  },
};

/** ", and move the rotor 2 studs clockwise as you face it", or nothing where it stays. */
function plateMove(advice: AdviceOf<'plate'>, wording: Wording): string {
  if (advice.from === advice.shift) return '';
  const move = sayMoveTo(wording, advice.from, advice.shift);
  return `, and ${move.charAt(0).toLowerCase()}${move.slice(1)}`;
}

/** What is said of thickness where runout is cured. */
function sayThicknessOf(advice: { isThicknessOpen?: boolean; isRunoutAlone?: boolean }): string {
  if (advice.isRunoutAlone) return 'nothing is said of its thickness';
  return advice.isThicknessOpen
    ? 'its discard thickness is not known, so nothing is said of its thickness'
    : 'thickness is within its limits';
}

const SPEAK: Speaker = {
  measure: ({ what }) => MEASURE_WORDS[what],
  'limit-missing': () => ({
    todo: 'Enter the discard thickness.',
    why: 'It is stamped on the rotor or in the maker\u2019s service information. Without it no thickness verdict is given.',
  }),
  'not-valid': ({ reasons }, wording) => ({
    todo: 'Put the set right and measure again.',
    why: reasons
      .filter(({ code }) => code === 'closure' || code === 'end-play')
      .map((reason) => describeReason(reason, (value) => deviation(wording, value)))
      .join(' '),
  }),
  'seat-again': () => ({
    todo: 'Clean, refit and measure again.',
    why: 'The rotor did not seat the same way twice: dirt, burr, bent stud, or nuts not drawn up evenly.',
  }),
  'which-seat': ({ stated, readsAs }, wording) => ({
    todo: 'Say where the rotor sits: it reads otherwise.',
    why: `Said: ${saySeat(wording, stated)}. ${readsAs === null ? 'It reads like no seat that was read before.' : `It reads as it did ${saySeat(wording, readsAs)}.`} Look at the mark; the set counts once that is settled.`,
  }),
  within: ({ isRunoutAlone }) => ({
    todo: 'Leave this rotor as it is.',
    why: isRunoutAlone
      ? 'Runout is within its limit; nothing is said of its thickness. Look for the cause elsewhere.'
      : 'Runout, thickness variation and thickness are within their limits. Look for the cause elsewhere.',
  }),
  'no-place': ({ tir, limit }, wording) => ({
    todo: 'No place of the rotor cures it.',
    why: `The best is predicted to leave ${deviation(wording, tir)} (limit ${deviation(wording, limit)}): what hub and rotor give, each, says where it comes from.`,
  }),
  kept: (advice, wording) => ({
    todo: `Cured by moving ${sayMove(wording, advice.from, advice.to) ?? 'nowhere'}: keep it there.`,
    why: `Counted from where it was read first. Runout was ${deviation(wording, advice.before)} and is ${deviation(wording, advice.now)} (limit ${deviation(wording, advice.limit)}); ${sayThicknessOf(advice)}.`,
  }),
  cleaned: (advice, wording) => ({
    todo: 'Cured by cleaning its seat: leave it as it sits.',
    why: `Runout was ${deviation(wording, advice.before)} as found and is ${deviation(wording, advice.now)} (limit ${deviation(wording, advice.limit)}); ${sayThicknessOf(advice)}.`,
  }),
  proven: ({ figures }, wording) => ({
    todo: 'Proven: leave it as it sits.',
    why: `${figures
      .map(
        ({ what, before, now, limit }) =>
          `${what === 'runout' ? 'Runout' : 'Thickness variation'} was ${deviation(wording, before)} and is ${deviation(wording, now)} (limit ${deviation(wording, limit)}). `,
      )
      .join('')}Everything that was read here is within its limits.`,
  }),
  'too-close': ({ what, laps }) => ({
    todo: `Measure ${what === 'runout' ? 'runout' : 'thickness'} again: too close to call.`,
    why: `The ${what} is nearer to its limit than the gauge can tell. ${settleWords(laps)}`,
  }),
  'second-mounting': ({ from, to }, wording) => ({
    todo: `${sayMoveTo(wording, from, to)}, then measure runout again.`,
    why: `A second mounting tells the hub\u2019s share from the rotor\u2019s: about ${sayMinutes(MINUTES.mounting + MINUTES.lap)}. Where the rotor is off anyway the hub face is quicker: ${sayMinutes(MINUTES.hubFace)}, then it goes on at the predicted best.`,
  }),
  index: (advice, wording) => ({
    todo: `${sayMoveTo(wording, advice.from, advice.to)}.`,
    why: `Predicted ${deviation(wording, advice.tir)} (limit ${deviation(wording, advice.limit)}), now ${deviation(wording, advice.before)}. Chance to end within: ${Math.round(advice.probability * 100)} %. Measure again after the move: about ${sayMinutes(MINUTES.mounting + MINUTES.lap)}.`,
  }),
  plate: (advice, wording) => ({
    todo: `Fit a tapered plate of ${deviation(wording, advice.correction)}, thick place at ${fastenerName(wording.fastening)} ${advice.thickAtStud}${plateMove(advice, wording)}.`,
    why: `Predicted ${deviation(wording, advice.tir)} (limit ${deviation(wording, advice.limit)}), now ${deviation(wording, advice.before)}. Chance to end within: ${Math.round(advice.probabilityWithin * 100)} %. Only where the vehicle maker allows it, and never more than one.`,
  }),
  clean: () => ({
    todo: 'Clean hub face and hat, refit and measure again.',
    why: 'It costs least, and what it brings is known only once it is measured.',
  }),
  leave: ({ probability }) => ({
    todo: 'Leave this rotor as it is.',
    why: `Of what may be done it has the lowest expected cost. Chance that it is within: ${Math.round(probability * 100)} %.`,
  }),
  hub: (advice, wording) => ({
    todo: 'Put the hub right: clean the hub face, then check hub and bearing.',
    why: `The hub alone gives ${deviation(wording, advice.hubTir)} at the rotor (limit ${deviation(wording, advice.limit)}). No stud, bench cut or new rotor cures that.`,
  }),
  machine: (advice, wording) => ({
    todo: `Machine ${advice.lathe === 'bench' ? 'on the bench lathe' : 'on the vehicle'}: ${deviation(wording, advice.depthOutboard)} outboard, ${deviation(wording, advice.depthInboard)} inboard.`,
    why: `It ends at ${size(wording, advice.finished)}, ${deviation(wording, advice.left)} above machine-to${advice.remaining === null ? '' : `; runout left ${deviation(wording, advice.remaining)}`}.${advice.isIndexed ? ' Then measure and move it to its best place.' : ''} Machine both rotors of the axle, or fit a pair.`,
  }),
  replace: (advice, wording) => ({
    todo: advice.hubToo ? 'Put the hub right and replace the rotor.' : 'Replace the rotor.',
    why: `${REPLACE_WHY[advice.why](deviation(wording, advice.by), (advice.reasons ?? []).join('; '))}${advice.hubToo ? ' The hub\u2019s own share is beyond the limit too: a new rotor alone would fail.' : ''}${advice.isIndexed ? ' Measure the new one and move it to its best place.' : ''} Replace rotors in pairs.`,
  }),
};

/** Puts an advice into words in the shop's units. */
export function sayAdvice(advice: Advice, wording: Wording): AdviceWords {
  // The table is keyed by the advice's own kind, so the speaker fits the advice.
  const speak = SPEAK[advice.kind] as (advice: Advice, wording: Wording) => AdviceWords;
  return speak(advice, wording);
}
