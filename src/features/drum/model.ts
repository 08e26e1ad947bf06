import { DRUM_WORK_NAME, type DrumOption } from '@/core/drum';
import { formatIn, type UnitSystem } from '@/core/units';
import { describeReason, type VerdictState } from '@/core/verdict';
import type { DrumView } from '@/server/drum/drumView';

export type { DrumView };

/** The one next thing about a drum and why, in words. */
export interface DrumSentence {
  readonly todo: string;
  readonly why: string;
}

const size = (units: UnitSystem, value: number): string => formatIn(units, 'size', value);

function sayOption(view: DrumView, { work }: DrumOption): string {
  const { before, units } = view;
  if (!before || work === 'renew') return '';
  const value = work === 'cut' ? before.cut?.finished : before.largest;
  const left =
    work === 'cut'
      ? before.cut?.left
      : view.limit === undefined
        ? null
        : view.limit - before.largest;
  if (value === undefined) return '';
  const rest =
    left === null || left === undefined ? '' : `, ${size(units, left)} left to its limit`;
  return `${size(units, value)}${rest}`;
}

/** What an option leaves, and what speaks against it, in words. */
export const sayDrumOption = (
  view: DrumView,
  option: DrumOption,
): { readonly leaves: string; readonly against: string } => ({
  leaves: sayOption(view, option),
  against: option.against.length === 0 ? '' : `Not here: ${option.against.join('; ')}.`,
});

/** What is to be done about a drum: measure it, or the least that ends within. */
export function drumSentence(view: DrumView): DrumSentence {
  const { before, advised, options, diameters } = view;
  if (before && advised === null) {
    return {
      todo: 'Read the wear limit that is cast or stamped on the drum.',
      why: 'Without it nobody can say whether it may stay, or how far it may be cut.',
    };
  }
  if (!before || advised === null) {
    const left = diameters.before.filter((value) => value === null).length;
    return {
      todo:
        left === 4
          ? 'Read the drum at four places, inside the lip.'
          : `Read ${left} more of the four places.`,
      why: 'An eighth of a turn apart, the first at the mark; and the limit that is cast on it.',
    };
  }
  const stays = options.find(({ work }) => work === 'keep');
  const cut = options.find(({ work }) => work === 'cut');
  const because = (stays?.against ?? []).join('; ');
  if (advised === 'keep') {
    return before.round.state === 'too-close'
      ? {
          todo: 'Keep this drum, or read it once more.',
          why: 'It is inside its wear limit; its roundness is too close to its limit to call.',
        }
      : { todo: 'Keep this drum.', why: 'It is round, and inside its wear limit.' };
  }
  if (advised === 'cut') {
    const left = cut ? sayOption(view, cut) : '';
    return {
      todo: `Cut this drum: ${left}.`,
      why: `As it is, ${because}. Both of the axle alike.`,
    };
  }
  return {
    todo: 'Renew this drum.',
    why: `As it is, ${because}. Cut: ${(cut?.against ?? []).join('; ')}. Both of the axle alike.`,
  };
}

/** A verdict's row of a drum: name, value, limit with its source, word. */
export interface DrumRow {
  readonly name: string;
  readonly value: string;
  readonly limit: string;
  readonly state: VerdictState;
  readonly notes: readonly string[];
}

/** The verdicts of a drum as they are shown: size first, then roundness. */
export function drumRows(view: DrumView, phase: 'before' | 'after'): DrumRow[] {
  const { units, sources } = view;
  const drum = view[phase];
  if (!drum) return [];
  const say = (value: number): string => formatIn(units, 'deviation', value);
  const notes = (reasons: readonly Parameters<typeof describeReason>[0][]): string[] =>
    reasons.map((reason) => describeReason(reason, say));
  return [
    {
      name: 'Largest diameter',
      value: size(units, drum.largest),
      limit: drum.size ? `${size(units, drum.size.limit)} (${sources.size})` : 'not on file',
      state: drum.size?.state ?? 'not-measured',
      notes: notes(drum.size?.reasons ?? []),
    },
    {
      name: 'Out of round',
      value: say(drum.outOfRound),
      limit: `${say(drum.round.limit)} (${sources.round})`,
      state: drum.round.state,
      notes: notes(drum.round.reasons),
    },
  ];
}

/** What was decided about a drum, in words. */
export const sayDecided = ({ decision }: Pick<DrumView, 'decision'>): string =>
  decision ? `${DRUM_WORK_NAME[decision.work]}${decision.shoes ? ', new shoes' : ''}.` : '';
