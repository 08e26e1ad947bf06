import { formatIn, type Micrometres, type UnitSystem } from '../units';
import type { Change } from './rank';
import { ITEM_NAME } from './shop';
import { ACTIONS } from './actions';
import type { Missing, Note, Option } from './types';

const MISSING: Readonly<Record<Missing, string>> = {
  runout: 'runout is not measured',
  'second-mounting': 'hub and rotor are not told apart: measure a second mounting',
  'present-seat':
    'runout and thickness are not measured where the rotor sits now: laps of another seat plan no cut on the vehicle',
  thickness: 'thickness is not measured at the positions and in the mounting of the runout',
  discard: 'the discard thickness is not entered',
  radius: 'the radius on which the rotor is read is not entered',
  nominal: 'the nominal thickness is not entered',
  hub: 'the hub face is not measured',
  price: 'a price or a time is not on the shop\u2019s list',
  hourly: 'the hourly rate is not on the shop\u2019s list',
  comeback: 'the cost of a comeback is not on the shop\u2019s list',
  'other-side': 'the other side of the axle is not measured',
  valid: 'the runout set is not valid: put it right and measure again',
};

type Speaker = {
  [Code in Note['code']]: (
    note: Extract<Note, { code: Code }>,
    say: (um: Micrometres) => string,
  ) => string;
};

const SAY: Speaker = {
  'ruled-out': ({ why }) => `Ruled out: ${why}.`,
  'below-discard': ({ by }, say) =>
    `The rotor is ${say(by)} below its discard thickness: the vehicle does not leave on it.`,
  'near-discard': () => 'The rotor is too close to its discard thickness to stay.',
  'too-thin': ({ by }, say) => `It would end ${say(by)} below machine-to.`,
  'near-machine-to': ({ margin, guard }, say) =>
    `It would end ${say(margin)} from machine-to, less than the guard band of ${say(guard)}.`,
  captive: () => 'This rotor is one with its hub: it cannot be moved, and no plate goes behind it.',
  'one-place': () => 'Its screw or pin allows one place only.',
  'best-already': () => 'It stands at its best place already.',
  'clean-already': () => 'Hub face and hat were cleaned before it was read: nothing more to gain.',
  'no-lathe': () => 'The shop has no such lathe.',
  'sent-out': () => 'Cut on another shop\u2019s lathe: the job waits, the vehicle stays.',
  'plate-not-needed': () => 'Moving the rotor alone is within: no plate is needed.',
  'plate-no-better': () => 'No plate at hand is 0.005 mm better than the best place without one.',
  'hub-sound': ({ hub, limit }, say) =>
    `The hub\u2019s own share is ${say(hub)} (limit ${say(limit)}): it can stay.`,
  seat: () => 'The rotor did not seat the same way twice: clean, refit and measure again first.',
  'does-not-cure': () => 'Predicted beyond the limit: it does not cure.',
  'dtv-stays': ({ dtv, limit }, say) =>
    `Thickness variation stays at ${say(dtv)} (limit ${say(limit)}): only metal or a new rotor cures it.`,
  'dtv-near': ({ dtv, limit, chance }, say) =>
    `Thickness variation stays at ${say(dtv)}, close to its limit ${say(limit)}: within in ${percent(chance)}.`,
  sides: ({ apart, limit }, say) =>
    `Left and right would be ${say(apart)} apart in thickness (limit ${say(limit)}).`,
  'not-alike': () => 'Rotors of an axle are cut or renewed in pairs: both alike.',
  missing: ({ what }) => `Missing: ${MISSING[what]}.`,
  'hub-assumed': ({ hub }, say) =>
    `The hub is not told apart: its share is assumed to be ${say(hub)} in any direction (workshop default).`,
  'machine-to-derived': ({ reserve }, say) =>
    `No machine-to thickness: discard plus ${say(reserve)} is taken (workshop default).`,
  'dtv-assumed': () => 'Thickness variation is not measured: it is left out of the chance.',
  'after-cleaning': () => 'What it brings is known once it is measured again.',
};

/** One thing about an option as a sentence, lengths in the shop's units. */
export function sayNote(note: Note, units: UnitSystem): string {
  // The table is keyed by the note's own code, so the speaker fits the note.
  const speak = SAY[note.code] as (note: Note, say: (um: Micrometres) => string) => string;
  return speak(note, (um) => formatIn(units, 'deviation', um));
}

/** An amount of money with the shop's label, whole units; "–" where it is not known. */
export const sayMoney = (amount: number | null, currency: string): string =>
  amount === null
    ? '\u2013'
    : `${amount < 0 ? '\u2212' : ''}${Math.abs(Math.round(amount)).toLocaleString('en')} ${currency}`.trim();

/** Whether a cost is within an amount that was agreed to: less than half a unit is rounding, not money. */
export const isWithinAgreed = (cost: number, upTo: number): boolean => cost < upTo + 0.5;

/** What would put another option first, as a sentence. */
export function sayChange(change: Change, units: UnitSystem, currency: string): string {
  const money = (amount: number): string => sayMoney(amount, currency);
  const turn = (at: number, now: number): string => (at < now ? 'at or below' : 'at or above');
  switch (change.kind) {
    case 'price':
      return `\u201c${ITEM_NAME[change.item]}\u201d ${turn(change.at, change.now)} ${money(change.at)} (now ${money(change.now)}): ${ACTIONS[change.action].name}.`;
    case 'hourly':
      return `An hourly rate ${turn(change.at, change.now)} ${money(change.at)} (now ${money(change.now)}): ${ACTIONS[change.action].name}.`;
    case 'comeback':
      return `A comeback that costs ${turn(change.at, change.now)} ${money(change.at)} (now ${money(change.now)}): ${ACTIONS[change.action].name}.`;
    case 'limit':
      return `A runout limit of ${formatIn(units, 'deviation', change.at)} (now ${formatIn(units, 'deviation', change.now)}): ${ACTIONS[change.action].name}.`;
    case 'lap':
      return change.action === null
        ? `One more lap that reads the same changes the chance to ${percent(change.chance)}, not the choice.`
        : `One more lap that reads the same: ${ACTIONS[change.action].name}, with ${percent(change.chance)}.`;
  }
}

/** A chance in whole percent, never "100 %" or "0 %" where it is not certain. */
export function percent(chance: number): string {
  const whole = Math.round(chance * 100);
  if (whole === 100 && chance < 1) return '> 99 %';
  if (whole === 0 && chance > 0) return '< 1 %';
  return `${whole} %`;
}

/**
 * Why an option ends where it does: the hub's share first, as no rotor takes it away.
 * Null where hub and rotor are not told apart or nothing is predicted.
 */
export function whyNot(
  option: Option,
  hub: Micrometres | null,
  limit: Micrometres,
  own: Micrometres | null,
  units: UnitSystem,
): string | null {
  const { runout, probability } = option;
  if (hub === null || runout === null || probability === null) return null;
  const say = (um: Micrometres): string => formatIn(units, 'deviation', um);
  const share =
    own === null
      ? `The hub alone gives ${say(hub)} at the rotor (limit ${say(limit)}).`
      : `The hub alone gives ${say(hub)} at the rotor (limit ${say(limit)}); with ${say(own)} of the rotor\u2019s own in any direction`;
  const reach =
    own === null
      ? ''
      : ` that is ${say(runout.low)} to ${say(runout.high)}${runout.atWorst === null ? '' : `, at worst ${say(runout.atWorst)}`}.`;
  const verdict =
    hub > limit
      ? ' No rotor, however true, brings this hub within its limit.'
      : ` It ends within in ${percent(probability)}.`;
  return `${share}${reach}${verdict}`;
}
