import { PAIR_JOBS } from './pairs';
import type { DemoJob } from './jobs';
import { OVAL_DRUM, WET_YARD } from './strips';
import { truth, indexed, proven, sound } from './truths';

/** The seed whose draws show each outcome; another one may tip what is near a limit. */
export const DEMO_SEED = 20_260_101;

/** One job for each outcome, and two still being measured. */
export const JOBS: readonly DemoJob[] = [
  {
    vehicle: 'rescue',
    complaint: 'Steering wheel shook coming down from the pass with the brakes on.',
    odometerKm: '61200',
    answers: {
      felt: 'both',
      when: 'braking',
      'follows-speed': 'yes',
      warmth: 'same',
      use: 'descents',
      'hub-look': 'rust',
    },
    confirmedCause: 'rust-under-hat',
    putRight: { seat: 'hub face and hat brushed to bright metal' },
    corners: [{ corner: 'FR', truth: proven, shifts: [0, 2], isDecided: true, after: proven }],
    isClosed: true,
  },
  {
    vehicle: 'shuttle',
    complaint: 'Passengers say it pulses when stopping at the quay. I feel nothing.',
    odometerKm: '88140',
    answers: { felt: 'nowhere', when: 'braking', noise: 'none', 'pedal-feel': 'firm', drag: 'no' },
    drive: 'clean',
    corners: [{ corner: 'FL', truth: sound(6, 27_410), shifts: [0], isDecided: true }],
  },
  {
    vehicle: 'bakery',
    complaint: 'Pedal pulses at town speed since the tyres were changed.',
    odometerKm: '104550',
    answers: {
      felt: 'both',
      when: 'braking',
      'worst-speed': 'middle',
      lately: 'wheels-off',
      since: 'some-thousand',
    },
    corners: [{ corner: 'FL', truth: indexed, shifts: [0, 2] }],
  },
  {
    vehicle: 'library',
    complaint: 'New rotors twice this year and the shake is back each time.',
    odometerKm: '45900',
    answers: {
      felt: 'both',
      when: 'braking',
      'follows-speed': 'yes',
      lately: 'renewed-again',
      since: 'some-thousand',
      'hub-look': 'clean',
    },
    corners: [
      {
        corner: 'FR',
        truth: truth(
          8,
          [
            [44, 75],
            [3, 10],
          ],
          [
            [11, 150],
            [3, 70],
          ],
          27_800,
          [
            [3, 50],
            [1, 10],
          ],
        ),
        shifts: [0, 3],
      },
    ],
  },
  {
    vehicle: 'vineyard',
    complaint: 'Judder through the pedal on the long track, worse when loaded.',
    odometerKm: '73310',
    answers: { felt: 'both', when: 'braking', 'worst-speed': 'high', use: 'towing' },
    drive: 'frontThickness',
    corners: [
      {
        corner: 'FL',
        truth: truth(
          6,
          [[7, 300]],
          [
            [33, 110],
            [5, 20],
          ],
          27_480,
          [
            [11, 120],
            [4, 30],
          ],
        ),
        shifts: [0, 2],
      },
    ],
  },
  {
    vehicle: 'nurse',
    complaint: 'Grinds and shudders at every stop on the coast road.',
    odometerKm: '132800',
    answers: { felt: 'both', when: 'braking', noise: 'grind', 'pedal-feel': 'firm' },
    corners: [
      {
        corner: 'FR',
        truth: truth(
          4,
          [[9, 20]],
          [
            [26, 250],
            [6, 80],
          ],
          19_945,
          [
            [13, 200],
            [5, 70],
          ],
        ),
        shifts: [0],
      },
    ],
  },
  {
    vehicle: 'shuttle',
    complaint: 'A light tremble in the wheel near the ferry ramp.',
    odometerKm: '88610',
    answers: { felt: 'steering', when: 'both', 'worst-speed': 'high', 'follows-speed': 'yes' },
    drive: 'tyre',
    corners: [
      {
        corner: 'FR',
        truth: truth(
          6,
          [[9, 40]],
          [
            [14.9, 55],
            [2, 10],
          ],
          27_390,
          [
            [3, 30],
            [1, 50],
          ],
        ),
        shifts: [0],
      },
    ],
  },
  {
    vehicle: 'bakery',
    complaint: 'Shake at the front right, comes and goes.',
    odometerKm: '104980',
    corners: [
      {
        corner: 'FR',
        truth: truth(
          5,
          [[18, 10]],
          [
            [16, 90],
            [3, 30],
          ],
          27_300,
          [
            [3, 90],
            [1, 10],
          ],
        ),
        shifts: [0],
        drift: 24,
      },
    ],
  },
  {
    vehicle: 'library',
    complaint: 'Rear brakes rumble when the shelves are full.',
    odometerKm: '46020',
    answers: { felt: 'seat', when: 'braking', 'worst-speed': 'low', 'rear-only': 'pulsates' },
    drive: 'rearDrum',
    corners: [
      {
        corner: 'RL',
        truth: truth(
          8,
          [[12, 33]],
          [
            [20, 210],
            [2, 5],
          ],
          11_200,
          [
            [3, 40],
            [1, 10],
          ],
        ),
        shifts: [0],
        readings: 7,
      },
      { corner: 'RR', truth: sound(8, 11_180), shifts: [] },
    ],
  },
  {
    vehicle: 'vineyard',
    complaint: 'Squeals on the first stops after a wet night in the yard.',
    odometerKm: '73890',
    answers: { felt: 'nowhere', noise: 'squeal', warmth: 'first-stops', use: 'standing' },
    strip: WET_YARD,
    corners: [
      { corner: 'RL', truth: sound(6, 11_400), shifts: [] },
      { corner: 'RR', truth: sound(6, 11_380), shifts: [] },
    ],
  },
  {
    vehicle: 'library',
    complaint: 'The floor buzzes on the long straight, with or without the brake.',
    odometerKm: '46340',
    answers: { felt: 'seat', when: 'without', 'worst-speed': 'middle' },
    drive: 'propshaft',
    corners: [{ corner: 'RR', truth: sound(8, 11_150), shifts: [] }],
  },
  ...PAIR_JOBS,
  {
    vehicle: 'shuttle',
    complaint: 'The wheel shakes braking for the harbour bend since the new tyres.',
    odometerKm: '89040',
    answers: { felt: 'both', when: 'braking', 'follows-speed': 'yes', lately: 'wheels-off' },
    corners: [
      {
        corner: 'FL',
        truth: { ...indexed, studs: 6 },
        shifts: [0, 2],
        isDecided: true,
        after: { ...indexed, studs: 6 },
      },
    ],
    rebuild: {
      upTo: 'pads-in',
      without: ['pin-bolts'],
      parts: [
        {
          kind: 'pad-inner',
          name: 'Inner pad',
          place: 'Piston side',
          orientation: 'arrow forward',
          mark: 'wear indicator on top',
          fate: 'renew',
        },
        {
          kind: 'pad-outer',
          name: 'Outer pad',
          place: 'Wheel side',
          orientation: 'arrow forward',
          mark: '',
          fate: 'renew',
        },
      ],
    },
  },
  {
    vehicle: 'vineyard',
    complaint: 'Pulses through the pedal again, just cut on the lathe.',
    odometerKm: '74120',
    answers: { felt: 'pedal', when: 'braking', use: 'towing' },
    corners: [
      {
        corner: 'FR',
        truth: truth(
          6,
          [[7, 300]],
          [
            [31, 110],
            [5, 20],
          ],
          27_460,
          [
            [10, 120],
            [4, 30],
          ],
        ),
        shifts: [0, 2],
        isDecided: true,
      },
    ],
    rebuild: { upTo: 'seat-clean', finished: '27.36', without: [], parts: [] },
  },
  {
    vehicle: 'nurse',
    complaint: 'Pulses at walking pace, most of all with the parking brake.',
    odometerKm: '61240',
    answers: { felt: 'seat', when: 'braking', 'worst-speed': 'low' },
    corners: [
      { corner: 'RL', truth: sound(4, 10_000), shifts: [] },
      { corner: 'RR', truth: sound(4, 10_000), shifts: [] },
    ],
    strip: OVAL_DRUM,
  },
];
