import type { DrumResult } from './solveDrum';

/** What is done about a drum. */
export const DRUM_WORK = ['keep', 'cut', 'renew'] as const;
export type DrumWork = (typeof DRUM_WORK)[number];

export const DRUM_WORK_NAME: Readonly<Record<DrumWork, string>> = {
  keep: 'Keep it as it is',
  cut: 'Cut it on the lathe',
  renew: 'New drum',
};

/** What findings forbid at a drum, with their reasons. */
export interface DrumBans {
  /** Why it may not be cut. */
  readonly cut: readonly string[];
  /** Why it may not stay, cut or not. */
  readonly drum: readonly string[];
}

/** One way to treat a drum: why it may not be taken, empty where it may. */
export interface DrumOption {
  readonly work: DrumWork;
  readonly against: readonly string[];
}

const beyondLimit = ({ size }: DrumResult): string[] =>
  size?.state === 'beyond' ? ['it is beyond its wear limit'] : [];

function againstCut(drum: DrumResult, bans: DrumBans): string[] {
  const own = [...bans.drum, ...beyondLimit(drum), ...bans.cut];
  if (!drum.cut) return [...own, 'how far it may be machined is not on file'];
  const { state } = drum.cut.verdict;
  if (state === 'beyond') return [...own, 'it would end beyond the diameter it may be machined to'];
  return state === 'within' ? own : [...own, 'it would end too close to that diameter to call'];
}

/** Every way to treat a drum, the least intervention first, each with what speaks against it. */
export function drumOptions(drum: DrumResult, bans: DrumBans): DrumOption[] {
  const stays = [...bans.drum, ...beyondLimit(drum)];
  return [
    {
      work: 'keep',
      against: [
        ...stays,
        ...(drum.size === null ? ['its wear limit is not on file'] : []),
        ...(drum.size?.state === 'too-close' ? ['it is too close to its wear limit to call'] : []),
        ...(drum.round.state === 'beyond' ? ['it is out of round'] : []),
      ],
    },
    { work: 'cut', against: againstCut(drum, bans) },
    { work: 'renew', against: [] },
  ];
}

/**
 * The least intervention that nothing speaks against; null where nobody can say: a drum is not thrown
 * away because its wear limit was not read. Source: handbook 9, 11 (without prices).
 */
export function adviseDrum(drum: DrumResult, bans: DrumBans): DrumWork | null {
  if (drum.size === null && bans.drum.length === 0) return null;
  return drumOptions(drum, bans).find(({ against }) => against.length === 0)?.work ?? 'renew';
}
