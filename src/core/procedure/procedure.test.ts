import fc from 'fast-check';
import { KNOWLEDGE } from '../contracts/knowledge';
import { PROCEDURE, procedureSchema, readChoices } from '../contracts/procedure';
import { isChoice } from '../diagnosis';
import {
  bansOf,
  cautionsAt,
  checkProcedure,
  condemnedParts,
  contactsBy,
  contextOf,
  cutsEqually,
  fateOf,
  findingsOfLooks,
  lookItems,
  lookOfFinding,
  lookWithout,
  machiningAllowed,
  padMeanings,
  planSteps,
  productAt,
  readFigure,
  reservoirRise,
  rulesInForce,
  runoutByRule,
  seenItems,
  stateOfLook,
  thinnestPad,
  TRAITS,
  type AxleTraits,
  type Look,
  type PadFigures,
  type Procedure,
} from '.';

const shipped = rulesInForce(PROCEDURE, {});
const plain: AxleTraits = {
  position: 'front',
  fastening: 'studs',
  caliper: 'floating',
  traits: [],
  isBrakeByWire: false,
};
const stepsOf = (own: Partial<AxleTraits>, choices = {}): string[] => {
  const context = contextOf({ ...plain, ...own }, rulesInForce(PROCEDURE, choices));
  return planSteps(PROCEDURE, context).map(({ code }) => code);
};

describe('the procedure is complete', () => {
  test('it holds together, and its own check finds nothing', () => {
    expect(checkProcedure(PROCEDURE)).toEqual([]);
    expect(PROCEDURE.items.length).toBeGreaterThan(25);
    expect(PROCEDURE.rules.map(({ number }) => number)).toEqual(
      Array.from({ length: 18 }, (_, i) => i + 1),
    );
  });

  const words = /./;
  test.each([
    ['a jack alone', /stands.*jack alone/i],
    ['dust', /wet or with a fine-filter vacuum.*no air.*no dry grinding.*hazardous/i],
    ['brake fluid', /fluid harms eyes and paint/i],
    ['solvents', /solvent: gloves.*no flame/i],
    ['heat', /never heat near hoses, sensors or wiring/i],
    ['hot rotors', /rotor.*burns/i],
    ['springs', /eye protection/i],
    ['pistons', /pistons can jump out under pressure/i],
    ['the hose', /nothing hangs on the hose/i],
    ['the pedal', /pump it firm before the vehicle moves/i],
    ['off the road', /below discard.*cracked.*leaking.*sinking pedal.*off the road/i],
    ['whose word counts', /maker.s service information, local rules.*licensed/i],
    ['poison gas', /chlorinated cleaner and heat or an arc make poison gas/i],
    ['turning a wheel', /neutral, the other axle chocked/i],
  ])('the caution about %s is shown where its hazard occurs', (_, said = words) => {
    const caution = PROCEDURE.cautions.find(({ say }) => said.test(say));
    expect(caution).toBeDefined();
    const places = [...PROCEDURE.lifting, ...PROCEDURE.steps, ...PROCEDURE.ladders];
    const shown = places.filter(({ hazards }) =>
      cautionsAt(PROCEDURE, hazards).some(({ code }) => code === caution?.code),
    );
    expect(shown.length).toBeGreaterThan(0);
  });

  test('every condition says how to tell it, what it means, and something the nose knows', () => {
    for (const { code, conditions } of PROCEDURE.items) {
      for (const { tell, means, says } of conditions) {
        expect([code, tell.length > 15, means.length > 10]).toEqual([code, true, true]);
        const finding = KNOWLEDGE.findings.find((each) => each.code === says.code);
        const values = finding && isChoice(finding) ? finding.values : [];
        expect(values.map((value) => value.code)).toContain(says.value);
      }
    }
  });

  test('what is sound says something that the nose knows, too', () => {
    const sound = PROCEDURE.items.flatMap(({ soundSays }) => soundSays ?? []);
    expect(sound.length).toBeGreaterThan(15);
    for (const { code, value } of sound) {
      const finding = KNOWLEDGE.findings.find((each) => each.code === code);
      expect(finding && isChoice(finding) && finding.values.some((v) => v.code === value)).toBe(
        true,
      );
    }
  });

  test.each<[string, (p: Procedure) => Procedure]>([
    ['No caution for', (p) => ({ ...p, cautions: p.cautions.slice(1) })],
    [
      'is shown nowhere',
      (p) => ({ ...p, cautions: [...p.cautions, { code: 'x', hazards: ['y'], say: 'nothing' }] }),
    ],
    ['stands twice', (p) => ({ ...p, steps: [...p.steps, p.steps[0]!] })],
    [
      'is looked at in no step',
      (p) => ({ ...p, steps: p.steps.map((s) => ({ ...s, looks: [] })) }),
    ],
    ['there is no', (p) => ({ ...p, parts: [] })],
    ['nothing is called', (p) => ({ ...p, steps: p.steps.map((s) => ({ ...s, when: ['moon'] })) })],
    ['ships', (p) => ({ ...p, rules: p.rules.map((r) => ({ ...r, shipped: 'none' })) })],
    [
      'nothing follows',
      (p) => ({
        ...p,
        rules: p.rules.map((r) => ({
          ...r,
          schools: r.schools.map((s) => ({ ...s, effects: [] })),
        })),
      }),
    ],
    ['does not say it', (p) => ({ ...p, steps: p.steps.map((s) => ({ ...s, rules: [] })) })],
    ['is at hand nowhere', (p) => ({ ...p, steps: p.steps.map((s) => ({ ...s, ladders: [] })) })],
  ])('a procedure where something “%s” is refused', (message, change) => {
    const broken = change(PROCEDURE);
    expect(checkProcedure(broken).join('\n')).toContain(message);
    expect(procedureSchema.safeParse(broken).success).toBe(false);
  });
});

describe('the order at a corner follows the vehicle', () => {
  test('a floating caliper on studs: pads after the caliper, pins and bracket', () => {
    const steps = stepsOf({});
    const order = [
      'wheel-off',
      'as-found',
      'push-back',
      'caliper-off',
      'pads-out',
      'pins-out',
      'bracket-off',
      'rotor-off',
      'hub-face',
    ];
    expect(steps.filter((code) => order.includes(code))).toEqual(order);
    expect(steps).not.toContain('wheel-off-bolts');
  });

  test('a fixed caliper: pads before the caliper, no pins, no bracket', () => {
    const steps = stepsOf({ caliper: 'fixed' });
    expect(steps.indexOf('pads-out-fixed')).toBeLessThan(steps.indexOf('caliper-off-fixed'));
    expect(steps).not.toEqual(expect.arrayContaining(['pins-out']));
    const items = lookItems(PROCEDURE, contextOf({ ...plain, caliper: 'fixed' }, shipped));
    expect(items.map(({ code }) => code)).not.toContain('pins');
  });

  test.each<[string, Partial<AxleTraits>, string, string | null]>([
    ['bolts', { fastening: 'bolts' }, 'wheel-off-bolts', 'wheel-off'],
    ['a retaining screw', { traits: ['retaining-screw'] }, 'rotor-screw', null],
    ['rivets', { traits: ['riveted'] }, 'rivets', null],
    ['a drum in the hat', { traits: ['drum-in-hat'] }, 'adjuster-back', null],
    ['an electric parking brake', { traits: ['electric-parking-brake'] }, 'service-mode', null],
    ['brake-by-wire', { isBrakeByWire: true }, 'service-mode', null],
    ['a rotor with its bearings', { traits: ['bearing-in-rotor'] }, 'bearing-pack', 'rotor-off'],
    ['screw-in pistons', { traits: ['screw-in-pistons'] }, 'wind-back', 'push-back'],
    ['a rigid line', { traits: ['rigid-line'] }, 'line-bracket', null],
    ['a wear sensor', { traits: ['wear-sensor'] }, 'sensor-off', null],
    ['a rear axle', { position: 'rear' }, 'match-mark', 'steering'],
  ])('with %s', (_, own, there, gone) => {
    const steps = stepsOf(own);
    expect(steps).toContain(there);
    if (gone) expect(steps).not.toContain(gone);
    if (there === 'service-mode') expect(steps[0]).toBe('service-mode');
  });

  test('a rotor is marked before it is disturbed, whatever the vehicle has', () => {
    const any = fc.record({
      traits: fc.subarray([...TRAITS]),
      caliper: fc.constantFrom('floating' as const, 'fixed' as const),
      fastening: fc.constantFrom('studs' as const, 'bolts' as const),
      isBrakeByWire: fc.boolean(),
    });
    fc.assert(
      fc.property(any, (own) => {
        const steps = stepsOf(own);
        const off = steps.findIndex((code) => /rotor-off/.test(code));
        const lookedAt = new Set(
          planSteps(PROCEDURE, contextOf({ ...plain, ...own }, shipped)).flatMap((s) => s.looks),
        );
        const context = contextOf({ ...plain, ...own }, shipped);
        return (
          off > steps.indexOf('match-mark') &&
          off > steps.indexOf('as-found') &&
          lookItems(PROCEDURE, context).every(({ code }) => lookedAt.has(code))
        );
      }),
    );
  });

  test('house rules add steps and speak in them; words follow studs or bolts', () => {
    expect(stepsOf({}, { 'push-back': 'bleeder' })).toContain('bleeder-open');
    expect(stepsOf({}, { corners: 'both' })).not.toContain('other-side');
    const context = contextOf(
      { ...plain, fastening: 'bolts' },
      rulesInForce(PROCEDURE, { 'hub-face': 'film' }),
    );
    const steps = planSteps(PROCEDURE, context);
    expect(steps.find(({ code }) => code === 'match-mark')?.say).toContain('hole 1');
    expect(steps.find(({ code }) => code === 'hub-face')?.ruleWords[0]?.say).toMatch(/thin film/);
    expect(contactsBy(PROCEDURE, context).find(({ code }) => code === 'hub-face')?.product).toMatch(
      /anti-seize/,
    );
  });

  test('only the ways to push pistons back that the vehicle allows, with their harms', () => {
    const ways = (traits: string[]) =>
      planSteps(PROCEDURE, contextOf({ ...plain, traits }, shipped)).flatMap((s) =>
        s.retractions.map(({ code }) => code),
      );
    expect(ways([])).toEqual(['clamp', 'spreader', 'lever']);
    expect(ways(['screw-in-pistons'])).toEqual(['wind']);
    expect(ways(['electric-parking-brake'])).toEqual(['service-mode']);
    expect(PROCEDURE.retractions.every(({ harms }) => harms.length > 0)).toBe(true);
  });
});

describe('house rules', () => {
  test('a job before the shop, the shop before what is shipped', () => {
    const job = [{ rule: 'bolts', school: 'new', reason: 'kit supplied' }];
    const rules = rulesInForce(PROCEDURE, { bolts: 'oiled', hardware: 'cleaned', gone: 'x' }, job);
    const of = (code: string) => rules.find(({ rule }) => rule.code === code)!;
    expect([of('bolts').school.code, of('bolts').by, of('bolts').reason]).toEqual([
      'new',
      'job',
      'kit supplied',
    ]);
    expect([of('hardware').school.code, of('hardware').by]).toEqual(['cleaned', 'shop']);
    expect([of('pads').school.code, of('pads').by]).toEqual(['new', 'shipped']);
    expect(
      rulesInForce(PROCEDURE, { bolts: 'no-such-way' }).find(({ rule }) => rule.code === 'bolts')
        ?.by,
    ).toBe('shipped');
  });

  test('what follows from them: fates, products, cuts, figures', () => {
    const rules = (choices: Record<string, string>) => rulesInForce(PROCEDURE, choices);
    expect(fateOf(rules({ hardware: 'new' }), 'hardware')).toBe('renew');
    expect(fateOf(rules({ hardware: 'cleaned' }), 'hardware')).toBe('reuse');
    expect(fateOf(shipped, null)).toBeNull();
    expect(productAt(rules({ 'pin-grease': 'silicone' }), 'pin')).toMatch(/Silicone/);
    expect(productAt(shipped, 'bore')).toBeNull();
    expect(machiningAllowed(shipped)).toBe('always');
    expect(machiningAllowed(rules({ 'worn-rotor': 'pairs' }))).toBe('never');
    expect(machiningAllowed(rules({ 'worn-rotor': 'once' }))).toBe('once');
    expect([runoutByRule(shipped), runoutByRule(rules({ 'runout-limit': 'rigid' }))]).toEqual([
      50, 130,
    ]);
  });

  test('every school changes something that is seen: a step, a product, a fate, a figure', () => {
    for (const rule of PROCEDURE.rules) {
      const outcomes = rule.schools.map((school) => {
        const rules = rulesInForce(PROCEDURE, { [rule.code]: school.code });
        const context = contextOf({ ...plain, traits: ['retaining-screw'] }, rules);
        return JSON.stringify([
          planSteps(PROCEDURE, context),
          contactsBy(PROCEDURE, context),
          rules.map((r) => r.school.say),
          machiningAllowed(rules),
          cutsEqually(rules),
          runoutByRule(rules),
        ]);
      });
      expect(new Set(outcomes).size).toBe(rule.schools.length);
    }
  });

  test('choices that cannot be read count as none', () => {
    expect(readChoices(undefined)).toEqual({});
    expect(readChoices({ a: 1 })).toEqual({});
    expect(readChoices({ bolts: 'new' })).toEqual({ bolts: 'new' });
  });
});

describe('what was seen', () => {
  const look = (item: string, found: string[] = []): Look => ({ corner: 'FL', item, found });

  test('not looked at, sound and found wrong are three things', () => {
    const items = PROCEDURE.items.filter(({ code }) => ['hose', 'pins', 'faces'].includes(code));
    const seen = seenItems(items, [look('hose'), look('pins', ['stuck', 'dry'])], 'FL');
    expect(Object.fromEntries(seen.map(({ item, state }) => [item.code, state]))).toEqual({
      faces: 'not-looked',
      hose: 'sound',
      pins: 'wrong',
    });
    expect(
      seenItems(items, [look('hose')], 'FR').every(({ state }) => state === 'not-looked'),
    ).toBe(true);
    expect(stateOfLook(undefined)).toBe('not-looked');
  });

  test('tells the nose of each condition once, and of what is sound', () => {
    expect(findingsOfLooks(PROCEDURE, [look('hose'), look('seat', ['rust', 'register'])])).toEqual([
      { code: 'hose-check', value: 'sound', corner: 'FL' },
      { code: 'hub-look', value: 'rust', corner: 'FL' },
    ]);
    expect(findingsOfLooks(PROCEDURE, [look('vanes'), look('no-such-item')])).toEqual([]);
  });

  test('forbids and condemns, with the reason', () => {
    const bans = bansOf(PROCEDURE, [
      look('cracks', ['crack']),
      look('faces', ['spots', 'oil']),
      look('hose', ['bulged']),
    ]);
    expect(bans.map(({ what }) => what)).toEqual([
      'machining',
      'rotor',
      'road',
      'machining',
      'road',
    ]);
    expect(bans.every(({ why, corner }) => why.length > 5 && corner === 'FL')).toBe(true);
    expect(bansOf(PROCEDURE, [look('cracks', ['crazing'])])).toEqual([]);
    expect(
      condemnedParts(PROCEDURE, [
        look('piston-boot', ['torn', 'leaking']),
        look('boots', ['torn']),
      ]),
    ).toEqual(['Caliper', 'Pin boots']);
  });

  test('an answer of the nose becomes the look that it is, and says the same again', () => {
    for (const item of PROCEDURE.items) {
      const { soundSays } = item;
      if (!soundSays) continue;
      const back = lookOfFinding(PROCEDURE, soundSays);
      expect(findingsOfLooks(PROCEDURE, [{ corner: 'FL', ...back! }])).toEqual([
        { ...soundSays, corner: 'FL' },
      ]);
    }
    expect(lookOfFinding(PROCEDURE, { code: 'face-check', value: 'crack' })).toEqual({
      item: 'cracks',
      found: ['crack'],
    });
    expect(lookOfFinding(PROCEDURE, { code: 'pins-check', value: 'stuck' })?.found).toEqual([
      'stuck',
    ]);
    expect(lookOfFinding(PROCEDURE, { code: 'pad-look', value: 'broken' })?.found).toEqual([
      'cracked',
    ]);
    expect(lookOfFinding(PROCEDURE, { code: 'fins-check', value: 'rusted' })?.found).toEqual([
      'scaled',
    ]);
    expect(lookOfFinding(PROCEDURE, { code: 'part-check', value: 'wrong' })).toBeNull();
    expect(lookOfFinding(PROCEDURE, { code: 'pads-check', value: 'uneven' })).toBeNull();
    expect(lookOfFinding(PROCEDURE, { code: 'felt', value: 'both' })).toBeNull();
  });

  test('takes one check out of a look and leaves the rest', () => {
    const both = look('faces', ['spots', 'glaze']);
    expect(lookWithout(PROCEDURE, both, { code: 'face-check' })).toEqual(look('faces', ['glaze']));
    expect(lookWithout(PROCEDURE, look('faces', ['spots']), { code: 'face-check' })).toBeNull();
    expect(lookWithout(PROCEDURE, look('hose'), { code: 'hose-check' })).toBeNull();
    expect(lookWithout(PROCEDURE, both, { code: 'face-check', value: 'film' })).toBe(both);
    const other = look('hose');
    expect(lookWithout(PROCEDURE, other, { code: 'face-check' })).toBe(other);
  });
});

describe('pads', () => {
  const pads = (...mm: (number | null)[]): PadFigures => {
    const [a, b, c, d] = mm.map((value) => (value === null ? null : value * 1000));
    return {
      innerLeading: a ?? null,
      innerTrailing: b ?? null,
      outerLeading: c ?? null,
      outerTrailing: d ?? null,
    };
  };
  const kinds = (own: PadFigures, other: PadFigures | null = null) =>
    padMeanings(own, other).map(({ kind }) => kind);

  test.each<[string, PadFigures, PadFigures | null, string[]]>([
    ['even', pads(9, 9, 9, 9), pads(9, 9, 9, 9), []],
    ['inner 2.1 mm thinner', pads(9.9, 9.9, 12, 12), null, ['inner-outer']],
    ['exactly 2 mm and below a quarter says nothing', pads(10, 10, 12, 12), null, []],
    ['a quarter of the thicker', pads(2.9, 2.9, 4, 4), null, ['inner-outer']],
    ['taper over 1.5 mm', pads(8, 9.6, 9, 9), null, ['taper']],
    ['taper of exactly 1.5 mm says nothing', pads(8, 9.5, 9, 9), null, []],
    ['side to side', pads(9, 9, 9, 9), pads(6, 6, 6, 6), ['side']],
    ['nothing measured', pads(null, null, null, null), pads(9, 9, 9, 9), []],
    ['one end of one pad', pads(9, null, null, null), null, []],
  ])('%s', (_, own, other, expected) => expect(kinds(own, other)).toEqual(expected));

  test('name the pad, the end and the part to look at', () => {
    const [difference] = padMeanings(pads(4, 4.2, 8, 8), null);
    expect([difference?.say, difference?.by]).toEqual(['Inner pad is worn more', 3900]);
    expect(difference?.means).toMatch(/pins/);
    expect(padMeanings(pads(8, 6, 7, 7), null)[0]?.say).toBe(
      'Inner pad tapers towards its trailing end',
    );
    expect(thinnestPad(pads(8, 6, null, 7))).toBe(6000);
    expect(thinnestPad(pads(null, null, null, null))).toBeNull();
  });

  test('swapping inner and outer swaps what is said and keeps the size', () => {
    const mm = fc.double({ min: 0.5, max: 15, noNaN: true });
    fc.assert(
      fc.property(mm, mm, (a, b) => {
        const [one, two] = [
          padMeanings(pads(a, a, b, b), null),
          padMeanings(pads(b, b, a, a), null),
        ];
        return one.length === two.length && one.every((m, i) => Math.abs(m.by - two[i]!.by) < 1e-6);
      }),
    );
  });
});

test('the reservoir rises by piston area times travel, summed over calipers', () => {
  const caliper = { pistons: 1, diameter: 40_000, travel: 10_000 };
  expect(reservoirRise([caliper])).toBeCloseTo(12.566, 3);
  expect(reservoirRise([caliper, { ...caliper, pistons: 2 }])).toBeCloseTo(3 * 12.566, 2);
  expect(reservoirRise([])).toBe(0);
});

test('a stored figure is read back, and anything else is none', () => {
  expect(readFigure({ text: '9.5', unit: 'mm', um: 9500 })).toEqual({
    text: '9.5',
    unit: 'mm',
    um: 9500,
  });
  for (const bad of [null, 5, 'x', {}, { text: '9', unit: 'mm' }])
    expect(readFigure(bad)).toBeNull();
});
