import { amplitudeRatios, judgeOutcome, type ProofInput } from './outcome';

const within = { corner: 'FL' as const, runout: 'within' as const, dtv: 'within' as const };
const quiet = { wheel: 0, pedal: 0, seat: 0 };
const shaking = { wheel: 3, pedal: 2, seat: 0 };
const proof = (change: Partial<ProofInput>): ProofInput => ({
  corners: [within],
  feel: { before: shaking, after: quiet },
  ratios: null,
  ...change,
});

test.each<[string, ProofInput, string]>([
  ['within and quiet', proof({}), 'cured'],
  ['within and recorded quiet', proof({ ratios: [{ order: 1, ratio: 0.1 }] }), 'cured'],
  ['felt less', proof({ feel: { before: shaking, after: { ...quiet, wheel: 1 } } }), 'better'],
  ['recorded less', proof({ ratios: [{ order: 1, ratio: 0.5 }] }), 'better'],
  ['seated otherwise', proof({ doubts: ['FL did not seat the same way twice.'] }), 'better'],
  ['too close', proof({ corners: [{ ...within, runout: 'too-close' }] }), 'better'],
  ['felt as before', proof({ feel: { before: shaking, after: shaking } }), 'not-cured'],
  ['felt, and not known before', proof({ feel: { before: null, after: shaking } }), 'not-cured'],
  ['recorded as before', proof({ ratios: [{ order: 2, ratio: 1 }] }), 'not-cured'],
  ['beyond', proof({ corners: [{ ...within, runout: 'beyond' }] }), 'not-cured'],
  ['dtv beyond', proof({ corners: [{ ...within, dtv: 'beyond' }] }), 'not-cured'],
  ['not driven', proof({ feel: { before: shaking, after: null } }), 'not-proven'],
  ['not measured', proof({ corners: [{ ...within, runout: 'not-measured' }] }), 'not-proven'],
  ['not valid', proof({ corners: [{ ...within, runout: 'not-valid' }] }), 'not-proven'],
])('%s', (_, input, state) => {
  expect(judgeOutcome(input).state).toBe(state);
});

test('beyond stands before not driven, and both are told', () => {
  const { state, reasons, left } = judgeOutcome(
    proof({
      corners: [{ corner: 'FR', runout: 'beyond', dtv: 'not-measured' }],
      feel: { before: null, after: null },
    }),
  );
  expect(state).toBe('not-cured');
  expect(reasons).toEqual(['FR: runout is beyond its limit.']);
  expect(left).toEqual(['FR: thickness variation was not measured again.']);
});

test('amplitudes are compared by order, the strongest axis of each', () => {
  const axes = (a: number, b: number | null) => [
    {
      orders: [
        { order: 1, braking: a },
        { order: 2, braking: b },
      ],
    },
    { orders: [{ order: 1, braking: a / 2 }] },
  ];
  expect(amplitudeRatios(axes(0.4, 0.2), axes(0.1, 0.05))).toEqual([
    { order: 1, before: 0.4, after: 0.1, ratio: 0.25 },
    { order: 2, before: 0.2, after: 0.05, ratio: 0.25 },
  ]);
  expect(amplitudeRatios(axes(0.4, null), axes(0.1, 0.05)).map(({ order }) => order)).toEqual([1]);
  expect(amplitudeRatios([], axes(0.1, 0.1))).toEqual([]);
});
