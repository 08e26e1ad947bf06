import {
  isPedalDone,
  moveBlockers,
  needsPedal,
  openItems,
  pedalBlockers,
  signOffBlockers,
  type CornerReadiness,
  type JobReadiness,
} from './readiness';

const whole: CornerReadiness = {
  corner: 'FL',
  wheelOff: true,
  caliperOff: false,
  inTray: [],
  torque: [
    { code: 'other', name: 'Bracket bolts', hasFigure: true, isPulled: true },
    { code: 'wheel-nuts', name: 'Wheel nuts', hasFigure: true, isPulled: true },
  ],
  starDone: true,
  vehicleDown: true,
  open: [],
  leftOut: [],
  turns: 'free',
  belowDiscard: null,
};

const job: JobReadiness = {
  corners: [whole],
  pistonsMoved: ['pistons pushed back at FL'],
  saidNoneMoved: false,
  pedal: { firm: true, held: 'held', level: true },
  opened: [],
  saidClosed: true,
  hydraulicsOpen: [],
  waits: [],
  offTheRoad: [],
  takenBack: [],
};

const corner = (change: Partial<CornerReadiness>): JobReadiness => ({
  ...job,
  corners: [{ ...whole, ...change }],
});
const says = (list: readonly { say: string }[]): string => list.map(({ say }) => say).join(' ');

test('a job that is together, pumped and closed has nothing in its way', () => {
  expect(signOffBlockers(job)).toEqual([]);
  expect(openItems(job)).toEqual([]);
  expect(pedalBlockers(job)).toEqual([]);
  expect(isPedalDone(job)).toBe(true);
});

test.each<[string, JobReadiness, RegExp]>([
  ['waits', { ...job, waits: ['rotor'] }, /waits: rotor/],
  ['is off the road', { ...job, offTheRoad: ['FL: cracked'] }, /cracked/],
  ['is below discard', corner({ belowDiscard: 'FL is below discard.' }), /below discard/],
  ['has a caliper off', corner({ caliperOff: true }), /caliper of FL is off/],
  [
    'has a caliper that came off again',
    corner({ caliperOff: true, caliperTickedBefore: true }),
    /off its rotor\. It was ticked as on before.*tick it once it is on/,
  ],
  ['has parts in the tray', corner({ inTray: ['Inner pad'] }), /tray: inner pad/],
  ['has no star', corner({ starDone: false }), /star/],
  ['was not checked on the ground', corner({ vehicleDown: false }), /ground/],
  ['is not pumped', { ...job, pedal: { ...job.pedal, firm: false } }, /not pumped/],
  ['was not held', { ...job, pedal: { ...job.pedal, held: null } }, /not pumped/],
  ['sinks', { ...job, pedal: { ...job.pedal, held: 'sank' } }, /sank/],
  ['has no level', { ...job, pedal: { ...job.pedal, level: false } }, /level/],
  ['nobody spoke of the hydraulics', { ...job, saidClosed: false }, /hydraulics/],
  [
    'was opened and not bled',
    { ...job, opened: ['hose'], hydraulicsOpen: ['FL is not bled.'] },
    /not bled/,
  ],
  [
    'was opened, whatever was said',
    { ...job, opened: ['hose'], saidClosed: true, hydraulicsOpen: ['FL is not bled.'] },
    /not bled/,
  ],
])('a job that %s stays where it is and is not signed off', (_, state, says_) => {
  expect(says(moveBlockers(state))).toMatch(says_);
  expect(says(signOffBlockers(state))).toMatch(says_);
});

test.each<[string, JobReadiness, RegExp]>([
  [
    'a missing figure',
    corner({
      torque: [{ code: 'other', name: 'Bracket bolts', hasFigure: false, isPulled: false }],
    }),
    /no torque figure with a source: bracket bolts/,
  ],
  [
    'a torque that nobody wrote down',
    corner({
      torque: [
        ...whole.torque,
        { code: 'other', name: 'Caliper pin bolts', hasFigure: true, isPulled: false },
      ],
    }),
    /torque not written down: caliper pin bolts/,
  ],
  [
    'a required step',
    corner({ open: [{ code: 'other', title: 'Caliper on', required: true }] }),
    /not done: caliper on/,
  ],
])('%s blocks the sign-off', (_, state, expected) => {
  expect(says(signOffBlockers(state))).toMatch(expected);
});

test('the pedal stop belongs to every opened job until someone says that no piston moved', () => {
  const quiet = { ...job, pistonsMoved: [] };
  expect(needsPedal(quiet)).toBe(true);
  expect(needsPedal({ ...quiet, saidNoneMoved: true })).toBe(false);
  expect(needsPedal({ ...job, saidNoneMoved: true })).toBe(true);
  expect(needsPedal({ ...quiet, corners: [{ ...whole, wheelOff: false }] })).toBe(false);
});

test('what is open without blocking is told for the lead', () => {
  const state = corner({
    open: [{ code: 'other', title: 'Hose free', required: false }],
    leftOut: ['Tray empty (counted)'],
    turns: 'drags',
  });
  expect(signOffBlockers(state)).toEqual([]);
  expect(openItems(state).map(({ say }) => say)).toEqual([
    'FL: not gone through: hose free.',
    'FL: left out: Tray empty (counted).',
    'FL: the wheel drags with the pedal released.',
  ]);
});

test('a corner whose wheel stayed on asks for nothing', () => {
  const state = { ...corner({ wheelOff: false, starDone: false, turns: null }), pistonsMoved: [] };
  expect(signOffBlockers({ ...state, saidClosed: false })).toEqual([]);
  expect(openItems(state)).toEqual([]);
});
