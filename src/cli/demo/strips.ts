import type { Corner } from '../../core/readings';

/** What was gone through of the strip-down, by the codes of the procedure. */
export interface DemoStrip {
  readonly by: string;
  /** Items of the list before lifting that were left out, with the reason; the rest are done. */
  readonly skipped: Readonly<Record<string, string>>;
  readonly corner: Corner;
  /** Steps done, in order. */
  readonly steps: readonly string[];
  readonly looks: Readonly<Record<string, readonly string[]>>;
  readonly figures: Readonly<Record<string, string>>;
  readonly parts: readonly {
    readonly kind: string;
    readonly name: string;
    readonly place: string;
    readonly mark: string;
    readonly fate: 'reuse' | 'renew';
  }[];
}

/** A rear corner that stood wet: half gone through, pins and faces found wrong. */
export const WET_YARD: DemoStrip = {
  by: 'Tobiah',
  skipped: { 'fluid-noted': 'cap label unreadable, type read from the owner’s book' },
  corner: 'RL',
  steps: ['wheel-off', 'other-side', 'first-look', 'match-mark', 'line-bracket'],
  looks: {
    nuts: [],
    'nut-seats': [],
    faces: ['footprint', 'one-side'],
    wear: ['pits'],
    cracks: [],
    fins: ['scaled'],
    pins: ['corroded'],
    hose: [],
    lines: ['rusted'],
  },
  figures: {
    'inner-leading': '4.1 mm',
    'inner-trailing': '4.3 mm',
    'outer-leading': '7.6 mm',
    'outer-trailing': '7.4 mm',
  },
  parts: [
    { kind: 'line-bolt', name: 'Line bracket bolt', place: 'Axle', mark: '', fate: 'reuse' },
    {
      kind: 'pin-upper',
      name: 'Upper slide pin',
      place: 'Upper',
      mark: 'the one with the rubber sleeve',
      fate: 'renew',
    },
  ],
};

/** A rear drum that is out of round: off, looked at and measured. */
export const OVAL_DRUM: DemoStrip = {
  by: 'Tobiah',
  skipped: {},
  corner: 'RL',
  steps: ['wheel-off-bolts', 'other-side', 'drum-look', 'match-mark', 'drum-off', 'drum-size'],
  looks: {
    nuts: [],
    'nut-seats': [],
    'drum-outside': [],
    'drum-face': ['lip'],
    hose: [],
    lines: [],
    leaks: [],
  },
  figures: {
    'drum-1': '228.52 mm',
    'drum-2': '228.40 mm',
    'drum-3': '228.28 mm',
    'drum-4': '228.40 mm',
    'stamped-drum': '229.5 mm',
  },
  parts: [{ kind: 'drum', name: 'Drum', place: 'Mark at stud 1', mark: '', fate: 'reuse' }],
};
