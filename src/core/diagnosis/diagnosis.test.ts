import fc from 'fast-check';
import { KNOWLEDGE, knowledgeSchema, overridesSchema, readOverrides } from '../contracts/knowledge';
import { drawJob } from '../bench';
import { seededRandom } from '../numeric';
import {
  applyOverrides,
  checkKnowledge,
  countedPriors,
  diagnose,
  evidenceOn,
  isAnswer,
  isChoice,
  nextChecks,
  NO_OVERRIDES,
  answersAhead,
  probabilityOfValue,
  toggled,
  weigh,
  weightOf,
  advisesNoDrive,
  type Finding,
  type RecordedFinding,
  type WeighInput,
} from '.';

const finding = (code: string): Finding => {
  const found = KNOWLEDGE.findings.find((each) => each.code === code);
  if (!found) throw new Error(`no finding ${code}`);
  return found;
};

/** The cause that a figure measures: the one it is furthest from usual with. */
const mostOf = (medians: Readonly<Record<string, number>>): string =>
  Object.entries(medians).sort(([, p], [, q]) => q - p)[0]![0];

describe('the knowledge file', () => {
  test('holds together and covers what the handbook lists', () => {
    expect(checkKnowledge(KNOWLEDGE)).toEqual([]);
    expect(KNOWLEDGE.causes).toHaveLength(28);
    const former = KNOWLEDGE.former.flatMap(({ now }) => now);
    expect(KNOWLEDGE.causes.map(({ code }) => code)).toEqual(expect.arrayContaining(former));
    expect(KNOWLEDGE.findings.length).toBeGreaterThan(35);
  });

  test('every cause can be told by some finding that is not a question', () => {
    for (const { code } of KNOWLEDGE.causes) {
      const best = KNOWLEDGE.findings
        .filter(({ stage }) => stage !== 'complaint')
        .flatMap((each) => answersAhead(each).map(({ value }) => weightOf(each, value, code)));
      expect([code, Math.max(...best) > 6]).toEqual([code, true]);
    }
  });

  test('the answers of a finding sum to 1 with every cause', () => {
    for (const each of KNOWLEDGE.findings.filter(isChoice)) {
      for (const { code } of KNOWLEDGE.causes) {
        const sum = each.values.reduce((all, v) => all + probabilityOfValue(each, v.code, code), 0);
        expect(sum).toBeCloseTo(1, 9);
      }
    }
  });

  test.each([
    ['a cause twice', { causes: [...KNOWLEDGE.causes, KNOWLEDGE.causes[0]!] }, /stands twice/],
    [
      'a weight that leaves no room',
      {
        findings: KNOWLEDGE.findings.map((each) =>
          each.code === 'when'
            ? { ...each, evidence: [{ value: 'braking', why: 'It is so.', db: { hose: 10 } }] }
            : each,
        ),
      },
      /leave no room/,
    ],
    ['an unknown cause', { joins: [{ effect: 'nothing', sources: ['hose'] }] }, /no cause nothing/],
  ])('a file with %s is refused', (_, change, words) => {
    const parsed = knowledgeSchema.safeParse({ ...KNOWLEDGE, ...change });
    expect(parsed.success).toBe(false);
    expect(parsed.error?.issues.map(({ message }) => message).join('\n')).toMatch(words);
  });
});

describe('weighing', () => {
  test('without findings the probabilities are the priors', () => {
    const total = KNOWLEDGE.causes.reduce((sum, { prior }) => sum + prior, 0);
    for (const { code, probability: p } of weigh(KNOWLEDGE, { findings: [] })) {
      const { prior } = KNOWLEDGE.causes.find((cause) => cause.code === code)!;
      expect(p).toBeCloseTo(prior / total, 12);
    }
  });

  test('log-odds are the prior plus the terms that count', () => {
    const { causes } = diagnose(KNOWLEDGE, {
      findings: [
        { code: 'felt', value: 'both' },
        { code: 'runout', value: 2 },
        { code: 'pins-check', value: 'stuck' },
      ],
    });
    const level = ({ prior, probability: p, terms }: (typeof causes)[number]): number =>
      10 * Math.log10(p / prior) -
      terms.reduce((sum, { counted, decibans }) => sum + (counted ? decibans : 0), 0);
    for (const cause of causes) expect(level(cause)).toBeCloseTo(level(causes[0]!), 9);
  });

  test('of one group the strongest counts of what speaks alike', () => {
    const { causes } = diagnose(KNOWLEDGE, {
      findings: [
        { code: 'hose-check', value: 'cracked' },
        { code: 'hose-age', value: 'old' },
      ],
    });
    const { terms, byGroup } = causes.find(({ code }) => code === 'hose')!;
    expect(terms.map(({ finding: of, counted }) => [of, counted])).toEqual([
      ['hose-check', true],
      ['hose-age', false],
    ]);
    expect(byGroup.get('hose')).toEqual({ for: terms[0]!.decibans, against: 0 });
  });

  test('what speaks against a cause counts beside what speaks for it in the same group', () => {
    const { causes } = diagnose(KNOWLEDGE, {
      findings: [
        { code: 'hose-check', value: 'cracked' },
        { code: 'hose-age', value: 'young' },
      ],
    });
    const { terms, byGroup } = causes.find(({ code }) => code === 'hose')!;
    expect(terms.map(({ counted }) => counted)).toEqual([true, true]);
    expect(byGroup.get('hose')!.for).toBeGreaterThan(0);
    expect(byGroup.get('hose')!.against).toBeLessThan(0);
  });

  // Issue of 2026-11: 2x and 5x a limit said the same, and more end play made a bearing less likely.
  test('further beyond its limit a figure never makes the cause that it measures less likely', () => {
    const measures = KNOWLEDGE.findings.flatMap((each) =>
      isChoice(each) ? [] : [{ code: each.code, cause: mostOf(each.evidence[0]!.medians) }],
    );
    for (const { code, cause } of measures) {
      const shares = [0.8, 1, 1.5, 2, 3, 4.7, 8, 20].map((value) => {
        const { causes } = diagnose(KNOWLEDGE, { findings: [{ code, value }] });
        return causes.find((each) => each.code === cause)!.probability;
      });
      for (const [i, share] of shares.entries()) {
        if (i > 0) expect([code, share]).toEqual([code, Math.max(share, shares[i - 1]! - 1e-9)]);
      }
    }
  });

  test('a complaint alone never settles', () => {
    const complaint = {
      felt: 'both',
      when: 'braking',
      'worst-speed': 'high',
      lately: 'renewed-again',
    };
    const findings = Object.entries(complaint).map(([code, value]) => ({ code, value }));
    expect(diagnose(KNOWLEDGE, { findings }).settled).toBe(false);
  });

  test('a measured figure weighs steadily more the further it is beyond its limit', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.06, max: 8, noNaN: true }), (ratio) => {
        const { code, cause } = { code: 'end-play', cause: 'bearing-play' };
        const less = weightOf(finding(code), ratio, cause);
        const more = weightOf(finding(code), ratio * 1.1, cause);
        return more >= less && Math.abs(more) <= 20;
      }),
    );
  });

  test('a fault at one corner is enough, and a corner not looked at stays open', () => {
    const at = (findings: readonly RecordedFinding[]): number =>
      weigh(KNOWLEDGE, { findings, corners: ['FL', 'FR'] }).find(
        ({ code }) => code === 'rust-under-hat',
      )!.probability;
    const bad: RecordedFinding = { code: 'runout', value: 3, corner: 'FL' };
    const good: RecordedFinding = { code: 'runout', value: 0.2, corner: 'FR' };
    expect(at([bad, good])).toBeCloseTo(at([bad]), 9);
    const goodToo: RecordedFinding = { ...good, corner: 'FL' };
    expect(at([good])).toBeGreaterThan(at([good, goodToo]));
    expect(at([good])).toBeLessThan(at([]));
    const [first] = weigh(KNOWLEDGE, { findings: [bad, good], corners: ['FL', 'FR'] });
    expect(first?.place).toBe('FL');
  });

  test('an axle in question leaves the other axle out', () => {
    const codes = weigh(KNOWLEDGE, { findings: [], axle: 'front' }).map(({ code }) => code);
    expect(codes).not.toContain('dtv-rear');
    expect(codes).not.toContain('rear-drum');
  });
});

describe('the next check', () => {
  test('is never one that is done, and names what each outcome would change', () => {
    const findings = [{ code: 'nut-check', value: 'even' }];
    const checks = nextChecks(KNOWLEDGE, { findings });
    expect(checks).toHaveLength(3);
    expect(checks.map(({ code }) => code)).not.toContain('nut-check');
    for (const { bits, changes } of checks) {
      expect(bits).toBeGreaterThan(0);
      expect(changes.length).toBeGreaterThan(1);
    }
  });

  // 2026-11-23: one corner looked at counted as all of them.
  test('is not done before every corner of the job was looked at', () => {
    const codes = (at: readonly ('FL' | 'FR')[]): string[] => {
      const findings = [
        { code: 'drag', value: 'yes' },
        ...at.map((corner) => ({ code: 'pins-check', value: 'free', corner })),
      ];
      const checks = nextChecks(KNOWLEDGE, { findings, corners: ['FL', 'FR'] }, 40);
      return checks.map(({ code }) => code);
    };
    expect(codes(['FL'])).toContain('pins-check');
    expect(codes(['FL', 'FR'])).not.toContain('pins-check');
  });

  test('counts the wheel coming off once', () => {
    const off = (findings: readonly RecordedFinding[]) =>
      nextChecks(KNOWLEDGE, { findings }, 40).filter(({ wheelOff }) => wheelOff);
    const before = off([]);
    const after = off([{ code: 'pins-check', value: 'free' }]);
    expect(Math.min(before.length, after.length)).toBeGreaterThan(3);
    for (const { code, minutes } of before) {
      expect(minutes).toBe(finding(code).minutes + KNOWLEDGE.wheelOffMinutes);
    }
    for (const { code, minutes } of after) expect(minutes).toBe(finding(code).minutes);
  });

  test.each([
    ['pedal-feel', 'soft', 'the pedal is soft'],
    ['noise', 'grind', 'metal is on metal'],
    ['leak-check', 'leak', 'fluid leaks'],
    ['face-check', 'crack', 'a rotor is cracked'],
  ])('proposes no drive with %s %s', (code, value, words) => {
    const findings = [{ code, value }];
    expect(advisesNoDrive(findings)).toContain(words);
    const drives = nextChecks(KNOWLEDGE, { findings }, 40).filter(({ code: each }) =>
      ['recording', 'felt-order', 'rear-only'].includes(each),
    );
    expect(drives).toEqual([]);
  });

  // 2026-11-23: a soft pedal that was set aside let a drive be proposed again.
  test('proposes no drive when what forbids it is set aside', () => {
    const input = { findings: [{ code: 'pedal-feel', value: 'soft' }], aside: ['pedal-feel'] };
    const codes = nextChecks(KNOWLEDGE, input, 40).map(({ code }) => code);
    expect(codes).not.toContain('recording');
    expect(codes).toContain('pins-check');
    expect(weigh(KNOWLEDGE, input).map(({ probability: p }) => p)).toEqual(
      weigh(KNOWLEDGE, { findings: [] }).map(({ probability: p }) => p),
    );
  });
});

describe('a shop', () => {
  test('changes priors, minutes and weights, and what it has not changed stays', () => {
    const own = applyOverrides(KNOWLEDGE, {
      priors: { hose: 30 },
      minutes: { 'pins-check': 2 },
      weights: [{ finding: 'pull', value: 'left', cause: 'hose', decibans: 1 }],
    });
    expect(own.causes.find(({ code }) => code === 'hose')?.prior).toBe(30);
    expect(own.findings.find(({ code }) => code === 'pins-check')?.minutes).toBe(2);
    const pull = own.findings.find(({ code }) => code === 'pull')!;
    expect(weightOf(pull, 'left', 'hose')).toBeCloseTo(1, 9);
    expect(weightOf(pull, 'right', 'hose')).toBeCloseTo(5.5, 9);
    expect(applyOverrides(KNOWLEDGE, NO_OVERRIDES)).toEqual(KNOWLEDGE);
  });

  test('cannot give weights that promise more than all answers, and bad storage is left out', () => {
    const bad = {
      priors: {},
      minutes: {},
      weights: [{ finding: 'when', value: 'braking', cause: 'hose', decibans: 15 }],
    };
    expect(overridesSchema.safeParse(bad).success).toBe(false);
    expect(readOverrides(bad)).toEqual(NO_OVERRIDES);
    expect(readOverrides('nonsense')).toEqual(NO_OVERRIDES);
  });

  test('moves its priors by what its closed jobs confirmed', () => {
    const none = countedPriors(KNOWLEDGE, {});
    const own = countedPriors(KNOWLEDGE, { hose: 12, 'stuck-pins': 19 });
    const share = (list: typeof own, code: string): number =>
      list.find((each) => each.code === code)!.share;
    expect(own.find(({ code }) => code === 'hose')?.confirmed).toBe(12);
    expect(share(own, 'hose')).toBeGreaterThan(5 * share(none, 'hose'));
    expect(own.reduce((sum, each) => sum + each.share, 0)).toBeCloseTo(1, 12);
  });
});

test('on simulated jobs the true cause is first, and probabilities mean what they say', () => {
  const random = seededRandom(11);
  const jobs = Array.from({ length: 250 }, () => drawJob(KNOWLEDGE, random));
  let first = 0;
  let promised = 0;
  let kept = 0;
  let variance = 0;
  for (const { cause, axle, findings } of jobs) {
    const [top] = weigh(KNOWLEDGE, { findings, axle });
    if (top!.code === cause) first += 1;
    promised += top!.probability;
    kept += top!.code === cause ? 1 : 0;
    variance += top!.probability * (1 - top!.probability);
  }
  // The bound is three standard deviations of the count below the 85 % asked for.
  expect(first / jobs.length).toBeGreaterThan(0.85 - 3 * Math.sqrt((0.85 * 0.15) / jobs.length));
  // What was promised is kept to within four standard deviations plus the groups' caution.
  expect(Math.abs(kept - promised)).toBeLessThan(4 * Math.sqrt(variance) + 0.02 * jobs.length);
});

test('findings of another job do not find its cause: the statistic can fail', () => {
  const random = seededRandom(12);
  const jobs = Array.from({ length: 150 }, () => drawJob(KNOWLEDGE, random));
  const right = jobs.filter(({ cause }, i) => {
    const other = jobs[(i + 1) % jobs.length]!;
    return weigh(KNOWLEDGE, { findings: other.findings })[0]!.code === cause;
  });
  expect(right.length / jobs.length).toBeLessThan(0.3);
});

describe('several answers at once', () => {
  const felt = KNOWLEDGE.findings.filter(isChoice).find(({ code }) => code === 'felt')!;

  test('stand together, but not with the one that says there is nothing to tell', () => {
    expect(isAnswer(felt, 'both+seat')).toBe(true);
    expect(isAnswer(felt, 'both+nowhere')).toBe(false);
    expect(isAnswer(felt, 'seat+seat')).toBe(false);
    expect(isAnswer(felt, 'seat+elbow')).toBe(false);
    const when = KNOWLEDGE.findings.find(({ code }) => code === 'when')!;
    expect(isAnswer(when, 'braking+without')).toBe(false);
  });

  test('a file whose answers, sights or split causes name nothing is refused', () => {
    const [first, ...findings] = KNOWLEDGE.findings.filter(isChoice);
    const broken = {
      ...KNOWLEDGE,
      former: [{ ...KNOWLEDGE.former[0]!, now: ['aura'] }],
      findings: [
        {
          ...first!,
          together: [{ of: ['steering', 'elbow'], is: 'both' }],
          evidence: first!.evidence.map((row) => ({ ...row, sees: 'ghost' })),
        },
        ...findings,
      ],
    };
    expect(checkKnowledge(broken)).toEqual(
      expect.arrayContaining([
        'There is no cause aura.',
        'There is no cause ghost.',
        'felt: elbow is put together and is no answer.',
      ]),
    );
  });

  test('are given and taken back one by one, in the order of the question', () => {
    expect(toggled(felt, undefined, 'seat')).toBe('seat');
    expect(toggled(felt, 'seat', 'steering')).toBe('steering+seat');
    expect(toggled(felt, 'steering+seat', 'seat')).toBe('steering');
    expect(toggled(felt, 'steering', 'steering')).toBeNull();
    expect(toggled(felt, 'steering+seat', 'nowhere')).toBe('nowhere');
    expect(toggled(felt, 'nowhere', 'pedal')).toBe('pedal');
  });

  test('wheel and pedal given one by one weigh as wheel and pedal', () => {
    const shares = (value: string) =>
      diagnose(KNOWLEDGE, { findings: [{ code: 'felt', value }] }).causes.map(
        ({ code, probability }) => [code, probability],
      );
    expect(shares('steering+pedal')).toEqual(shares('both'));
  });

  test('an answer more never speaks against what another one speaks for', () => {
    const share = (value: string) =>
      diagnose(KNOWLEDGE, { findings: [{ code: 'lately', value }] }).causes.find(
        ({ code }) => code === 'nut-torque',
      )!.terms[0]!.decibans;
    expect(share('wheels-off+kerb')).toBe(share('wheels-off'));
  });
});

describe('what forbids a drive', () => {
  // 2026-11-28: a second noise beside metal on metal let the vehicle be driven.
  test.each([
    [{ code: 'noise', value: 'squeal+grind' }, 'metal is on metal'],
    [{ code: 'pedal-feel', value: 'sinks' }, 'the pedal sinks'],
    [
      { code: 'fixing-check', value: 'loose', corner: 'FL' as const },
      'a bracket or caliper is loose',
    ],
    [{ code: 'nut-check', value: 'loose', corner: 'FL' as const }, 'a wheel is loose'],
  ])('%j', (finding, why) => {
    expect(advisesNoDrive([finding])).toBe(why);
  });

  test('is said once, however often it was found', () => {
    const findings = [
      { code: 'pedal-feel', value: 'sinks' },
      { code: 'pump-test', value: 'sinks' },
    ];
    expect(advisesNoDrive(findings)).toBe('the pedal sinks');
  });
});

describe('what is seen', () => {
  const crack = { code: 'face-check', value: 'crack', corner: 'FL' } as const;

  test('is confirmed and stands first; it settles once it is said to explain the complaint', () => {
    const before = diagnose(KNOWLEDGE, { findings: [crack] });
    expect(before.causes[0]!.code).toBe('heat-damage');
    expect(before.seen.map(({ code }) => code)).toEqual(['heat-damage']);
    expect(before.settled).toBe(false);
    const after = diagnose(KNOWLEDGE, { findings: [crack, { code: 'explains', value: 'yes' }] });
    expect(after.causes[0]!.code).toBe('heat-damage');
    expect(after.causes[0]!.probability).toBeGreaterThan(0.95);
    expect([after.settled, after.seen]).toEqual([true, []]);
  });

  test('stands first with all that speaks against it, and is as sure as it is right', () => {
    const against = [
      { code: 'felt', value: 'steering' },
      { code: 'runout', value: 3 },
      { code: 'hub-share', value: 2.5 },
    ];
    const [first] = diagnose(KNOWLEDGE, { findings: [crack, ...against] }).causes;
    expect(first!.code).toBe('heat-damage');
    expect(first!.probability).toBeCloseTo(0.6, 1);
  });

  test('is asked about before anything else: does it explain the complaint?', () => {
    const first = (findings: RecordedFinding[]) =>
      nextChecks(KNOWLEDGE, { findings }).map(({ code }) => code)[0];
    expect(first([crack])).toBe('explains');
    expect(first([crack, { code: 'explains', value: 'yes' }])).not.toBe('explains');
    expect(first([{ code: 'drag', value: 'yes' }])).not.toBe('explains');
  });

  test('and sure: nothing is proposed that could turn nothing', () => {
    const findings = [crack, { code: 'explains', value: 'yes' }];
    expect(nextChecks(KNOWLEDGE, { findings })).toEqual([]);
  });

  test('and does not explain it: the search goes on, and it is still not driven', () => {
    const findings = [crack, { code: 'explains', value: 'no' }, { code: 'when', value: 'without' }];
    expect(diagnose(KNOWLEDGE, { findings }).causes[0]!.code).not.toBe('heat-damage');
    expect(advisesNoDrive(findings)).toBe('a rotor is cracked');
  });
});

describe('the order of work', () => {
  const codes = (findings: RecordedFinding[], more: Partial<WeighInput> = {}) =>
    nextChecks(KNOWLEDGE, { findings, ...more }).map(({ code }) => code);
  const complaint = [
    { code: 'felt', value: 'both' },
    { code: 'when', value: 'braking' },
  ];

  test('the nuts as found come before the wheel comes off', () => {
    const proposed = nextChecks(KNOWLEDGE, { findings: complaint });
    const off = proposed.findIndex(({ wheelOff }) => wheelOff);
    const nuts = proposed.findIndex(({ code }) => code === 'nut-check');
    expect(nuts).toBeGreaterThanOrEqual(0);
    if (off >= 0) expect(nuts).toBeLessThan(off);
  });

  test('new parts are looked at before anybody drives', () => {
    const [first] = codes([
      { code: 'lately', value: 'brakes-renewed' },
      { code: 'since', value: 'at-once' },
      { code: 'noise', value: 'clunk' },
    ]);
    const stage = KNOWLEDGE.findings.find(({ code }) => code === first)?.stage;
    expect(stage).toBe('inspect');
  });

  test('what the vehicle does not allow is not proposed', () => {
    const rear = [
      { code: 'felt', value: 'seat' },
      { code: 'when', value: 'braking' },
      { code: 'worst-speed', value: 'low' },
    ];
    const all = (without: string[]) =>
      nextChecks(KNOWLEDGE, { findings: rear, axle: 'rear', without }, 40).map(({ code }) => code);
    expect(all([])).toContain('rear-only');
    expect(all(['rear-only'])).not.toContain('rear-only');
  });
});

test('every cause leads somewhere, and jobs signed before a cause was split still count', () => {
  for (const { repair, proof, owner } of KNOWLEDGE.causes) {
    expect([repair, proof, owner].every((words) => words.length > 10)).toBe(true);
  }
  const shares = countedPriors(KNOWLEDGE, { sticking: 40 });
  const [pins] = shares.filter(({ code }) => code === 'stuck-pins');
  expect(pins!.confirmed).toBe(10);
  const stored = { priors: { sticking: 8 }, minutes: {}, weights: [] };
  expect(readOverrides(stored).priors).toEqual({
    'stuck-pins': 2,
    'stuck-piston': 2,
    'stuck-pads': 2,
    'tight-shoes': 2,
  });
});

test('what speaks for a cause is told with the strongest first, a figure by how far it usually is', () => {
  const { for: speaking, against } = evidenceOn(KNOWLEDGE, 'hub-runout');
  const weights = speaking.map(({ decibans }) => decibans);
  expect(weights).toEqual(weights.toSorted((p, q) => q - p));
  expect(speaking.map(({ found }) => found)).toContainEqual({ ratio: 1.7 });
  expect(against.every(({ decibans }) => decibans < 0)).toBe(true);
});
