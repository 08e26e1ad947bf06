import type { Corner } from '../readings';

/** The fastener that holds the wheel, and the step in which the wheel goes on. */
export const WHEEL_NUTS = 'wheel-nuts';
export const WHEEL_ON = 'wheel-on';

/** How a corner stands as it goes together again. */
export interface CornerReadiness {
  readonly corner: Corner;
  /** Whether its wheel was off: taken off, measured at, or corrected. */
  readonly wheelOff: boolean;
  /** Whether its caliper is off now. */
  readonly caliperOff: boolean;
  /** It was ticked as on, and came off again since: its step stands as done and must be ticked anew. */
  readonly caliperTickedBefore?: boolean;
  /** Its wheel is braked by a drum: what is off is the drum. */
  readonly isDrum?: boolean;
  /** Parts taken off that are not back on. */
  readonly inTray: readonly string[];
  readonly torque: readonly {
    readonly code: string;
    readonly name: string;
    readonly hasFigure: boolean;
    readonly isPulled: boolean;
  }[];
  /** Whether every nut of the wheel was pulled in every stage. */
  readonly starDone: boolean;
  readonly vehicleDown: boolean;
  /** Rebuild steps that are not done. */
  readonly open: readonly {
    readonly code: string;
    readonly title: string;
    readonly required: boolean;
  }[];
  readonly leftOut: readonly string[];
  /** Whether its wheel turned free with the pedal released. */
  readonly turns: 'free' | 'drags' | null;
  /** Why its rotor may not go on the road, or null. */
  readonly belowDiscard: string | null;
}

/** How the pedal stands; what was ticked before something moved again counts as open. */
export interface PedalState {
  readonly firm: boolean;
  readonly held: 'held' | 'sank' | null;
  readonly level: boolean;
}

/** How a job stands as it goes together again. */
export interface JobReadiness {
  readonly corners: readonly CornerReadiness[];
  /** What moved pistons, in words; empty where nothing says that any moved. */
  readonly pistonsMoved: readonly string[];
  readonly saidNoneMoved: boolean;
  readonly pedal: PedalState;
  /** What opened the hydraulics, in words; empty where nothing says so. */
  readonly opened: readonly string[];
  readonly saidClosed: boolean;
  /** What of an opened system is still to do, in words. */
  readonly hydraulicsOpen: readonly string[];
  /** What the vehicle waits for, and what keeps it off the road. */
  readonly waits: readonly string[];
  readonly offTheRoad: readonly string[];
  /** What kept it off the road, was taken back, and no lead has answered yet. */
  readonly takenBack: readonly {
    readonly say: string;
    readonly who: string | null;
    readonly reason: string | null;
  }[];
}

/** Where something that stands in the way is put right: a stage or a page of the rebuild. */
export type BlockerPlace =
  | 'strip'
  | 'measure'
  | 'decide'
  | 'correct'
  | 'rebuild-corner'
  | 'hydraulics'
  | 'pedal'
  | 'prove'
  | 'prove-corner'
  | 'report';

/** Something that stands in the way, in words. */
export interface Blocker {
  readonly say: string;
  readonly place: BlockerPlace;
  readonly corner?: Corner;
}

const wasOpened = ({ corners }: JobReadiness): boolean => corners.some(({ wheelOff }) => wheelOff);

const TICK_AGAIN =
  ' It was ticked as on before the last work there: open its step again, and tick it once it is on.';

const caliperOffAt = ({ corner, isDrum, caliperTickedBefore }: CornerReadiness): Blocker => ({
  say: `${
    isDrum
      ? `The drum of ${corner} is off its shoes.`
      : `The caliper of ${corner} is off its rotor.`
  }${caliperTickedBefore ? TICK_AGAIN : ''}`,
  place: 'rebuild-corner',
  corner,
});

/** Calipers that are off their rotors, and parts that are not back. */
function loose({ corners }: JobReadiness): Blocker[] {
  return corners.flatMap((state) => {
    const { corner, caliperOff, inTray } = state;
    if (caliperOff) return [caliperOffAt(state)];
    return inTray.length > 0
      ? [
          {
            say: `Parts of ${corner} are still in the tray: ${inTray.join(', ').toLowerCase()}.`,
            place: 'rebuild-corner',
            corner,
          },
        ]
      : [];
  });
}

/**
 * Why the pedal must not be pumped now: a caliper off its rotor lets its pistons jump out.
 * Empty where it may. Source: handbook 15.
 */
export const pedalBlockers = (state: JobReadiness): Blocker[] =>
  state.corners.filter(({ caliperOff }) => caliperOff).map(caliperOffAt);

/** Whether the pedal stop belongs to this job: pistons moved, or nobody said that none did. */
export const needsPedal = (state: JobReadiness): boolean =>
  state.pistonsMoved.length > 0 || (wasOpened(state) && !state.saidNoneMoved);

export const isPedalDone = ({ pedal }: Pick<JobReadiness, 'pedal'>): boolean =>
  pedal.firm && pedal.held === 'held' && pedal.level;

/** Whether the hydraulics are settled: said to be closed, or bled to the end. */
const hydraulics = (state: JobReadiness): Blocker[] => {
  if (state.opened.length > 0) {
    return state.hydraulicsOpen.map((say) => ({ say, place: 'hydraulics' }));
  }
  if (!wasOpened(state) || state.saidClosed) return [];
  return [{ say: 'Nobody said yet whether the hydraulics were opened.', place: 'hydraulics' }];
};

function pedal(state: JobReadiness): Blocker[] {
  if (state.pedal.held === 'sank') {
    const say = 'The pedal sank while it was held: the vehicle stays where it is.';
    return [{ say, place: 'pedal' }];
  }
  if (!needsPedal(state) || isPedalDone(state)) return [];
  const say =
    'The pedal was not pumped firm, held for a minute and its fluid level set since the brakes were worked on.';
  return [{ say, place: 'pedal' }];
}

const wheels = ({ corners }: JobReadiness): Blocker[] =>
  corners
    .filter(({ wheelOff }) => wheelOff)
    .flatMap(({ corner, starDone, torque, vehicleDown }) => {
      const own = torque.find(({ code }) => code === WHEEL_NUTS);
      const complain = (say: string): Blocker[] => [{ say, place: 'rebuild-corner', corner }];
      if (!starDone) return complain(`The wheel of ${corner} is not drawn up in the star.`);
      if (!own?.isPulled) return complain(`The torque of ${corner}’s wheel is not written down.`);
      return vehicleDown ? [] : complain(`The wheel of ${corner} was not checked on the ground.`);
    });

/**
 * Why the vehicle must not be moved; empty where it may. Below discard, cracked, leaking, with
 * a sinking or unpumped pedal, waiting, or not together it stays. Source: handbook 15, 17.
 */
export const moveBlockers = (state: JobReadiness): Blocker[] => [
  ...state.waits.map((each): Blocker => ({ say: `It waits: ${each}.`, place: 'strip' })),
  ...state.offTheRoad.map((say): Blocker => ({ say: `${say}.`, place: 'strip' })),
  ...state.takenBack.map(({ say, who, reason }): Blocker => ({
    say: `${say}, by ${who ?? 'nobody named'}${reason ? ` (${reason})` : ''}: a lead has not answered it.`,
    place: 'report',
  })),
  ...state.corners.flatMap(({ corner, belowDiscard }): Blocker[] =>
    belowDiscard ? [{ say: belowDiscard, place: 'correct', corner }] : [],
  ),
  ...loose(state),
  ...hydraulics(state),
  ...pedal(state),
  ...wheels(state),
];

/** What of the work is not done where a wheel was off: figures, torques, steps. */
export const unfinishedWork = (state: JobReadiness): Blocker[] =>
  state.corners.flatMap(({ corner, wheelOff, torque, open }): Blocker[] => {
    if (!wheelOff) return [];
    const missing = torque.filter(({ hasFigure }) => !hasFigure).map(({ name }) => name);
    const unpulled = torque
      .filter(({ hasFigure, isPulled, code }) => hasFigure && !isPulled && code !== WHEEL_NUTS)
      .map(({ name }) => name);
    const steps = open.filter(({ required }) => required).map(({ title }) => title);
    const say = (what: string, list: readonly string[]): Blocker[] =>
      list.length === 0
        ? []
        : [
            {
              say: `${corner}: ${what}: ${list.join(', ').toLowerCase()}.`,
              place: 'rebuild-corner',
              corner,
            },
          ];
    return [
      ...say('no torque figure with a source', missing),
      ...say('torque not written down', unpulled),
      ...say('not done', steps),
    ];
  });

/** What blocks the sign-off whoever signs: it never passes. Source: handbook 15, 16. */
export const signOffBlockers = (state: JobReadiness): Blocker[] => [
  ...moveBlockers(state),
  ...unfinishedWork(state),
];

/** What is open without blocking: the lead may sign with it, in writing. */
export const openItems = (state: JobReadiness): Blocker[] =>
  state.corners
    .filter(({ wheelOff }) => wheelOff)
    .flatMap(({ corner, open, leftOut, turns }): Blocker[] => {
      const at = (say: string): Blocker => ({
        say: `${corner}: ${say}.`,
        place: 'rebuild-corner',
        corner,
      });
      const steps = open.filter(({ required }) => !required).map(({ title }) => title);
      return [
        ...(steps.length > 0 ? [at(`not gone through: ${steps.join(', ').toLowerCase()}`)] : []),
        ...leftOut.map((each) => at(`left out: ${each}`)),
        ...(turns === 'drags' ? [at('the wheel drags with the pedal released')] : []),
        ...(turns === null ? [at('nobody said whether the wheel turns free')] : []),
      ];
    });
