import type { PriceItem } from './shop';

/** What is done to the metal: both sides of an axle get the same. Source: handbook 9. */
export type MetalClass = 'none' | 'cut' | 'new';

/** Everything that the program branches on about one thing that can be done about a rotor. */
interface ActionRecord {
  readonly name: string;
  /** What it is paid by. */
  readonly items: readonly PriceItem[];
  readonly metal: MetalClass;
  /** The lathe that cuts it, or null. */
  readonly lathe: 'on-vehicle' | 'bench' | null;
  /** Whether the rotor is moved on its studs to the best place as a part of it. */
  readonly isIndexed: boolean;
  readonly renewsHub: boolean;
  /** Whether it is predicted from runout that was measured. */
  readonly needsRunout: boolean;
  /** Whether hub and rotor must be told apart for it. */
  readonly needsSeparation: boolean;
  /** Whether the mounting must be the same each time for it. */
  readonly needsSeat: boolean;
  /** How it is kept on record. */
  readonly correction:
    | 'leave'
    | 'clean'
    | 'index'
    | 'plate'
    | 'machine-on-vehicle'
    | 'machine-bench'
    | 'replace'
    | 'hub'
    | 'hub-replace';
}

const KEPT = {
  metal: 'none',
  lathe: null,
  isIndexed: false,
  renewsHub: false,
  needsRunout: false,
  needsSeparation: false,
  needsSeat: false,
} as const;
const BENCH = { ...KEPT, metal: 'cut', lathe: 'bench', correction: 'machine-bench' } as const;
const NEW = { ...KEPT, metal: 'new', correction: 'replace' } as const;

/** What can be done about the rotor of one corner, in the order of the table. */
export const ACTIONS = {
  leave: {
    ...KEPT,
    name: 'Leave the rotor as it is',
    items: [],
    needsRunout: true,
    correction: 'leave',
  },
  clean: { ...KEPT, name: 'Clean and refit', items: ['clean'], correction: 'clean' },
  index: {
    ...KEPT,
    name: 'Index the rotor',
    items: ['index'],
    isIndexed: true,
    needsRunout: true,
    needsSeparation: true,
    needsSeat: true,
    correction: 'index',
  },
  plate: {
    ...KEPT,
    name: 'Tapered plate',
    items: ['plate'],
    needsRunout: true,
    needsSeparation: true,
    needsSeat: true,
    correction: 'plate',
  },
  'on-vehicle': {
    ...KEPT,
    name: 'Cut on the vehicle',
    items: ['on-vehicle'],
    metal: 'cut',
    lathe: 'on-vehicle',
    correction: 'machine-on-vehicle',
  },
  bench: { ...BENCH, name: 'Cut on the bench lathe', items: ['bench'] },
  'bench-indexed': {
    ...BENCH,
    name: 'Cut on the bench lathe, then index',
    items: ['bench', 'index'],
    isIndexed: true,
  },
  new: { ...NEW, name: 'New rotor as it comes', items: ['rotor'] },
  'new-indexed': {
    ...NEW,
    name: 'New rotor, then index',
    items: ['rotor', 'index'],
    isIndexed: true,
  },
  hub: {
    ...KEPT,
    name: 'New hub or bearing, rotor kept and indexed',
    items: ['hub', 'index'],
    renewsHub: true,
    needsRunout: true,
    needsSeparation: true,
    correction: 'hub',
  },
  'hub-new': {
    ...NEW,
    name: 'New hub or bearing and new rotor',
    items: ['hub', 'rotor', 'index'],
    renewsHub: true,
    needsSeparation: true,
    correction: 'hub-replace',
  },
} as const satisfies Readonly<Record<string, ActionRecord>>;

export type Action = keyof typeof ACTIONS;
export const ACTION_CODES = Object.keys(ACTIONS) as [Action, ...Action[]];

/** What is known of an action. */
export const actionRecord = (action: Action): ActionRecord => ACTIONS[action];

/** What is done to the metal by an action. */
export const metalOf = (action: Action): MetalClass => ACTIONS[action].metal;
