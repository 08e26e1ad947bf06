import fc from 'fast-check';
import { KNOWLEDGE } from '../contracts/knowledge';
import { PROCEDURE, procedureSchema } from '../contracts/procedure';
import { isChoice } from '../diagnosis';
import {
  cautionsAt,
  checkProcedure,
  contactsBy,
  contextOf,
  lookItems,
  planSteps,
  rulesInForce,
  TRAITS,
  type AxleTraits,
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
      Array.from({ length: 19 }, (_, i) => i + 1),
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
    ['press-in pins', { traits: ['press-pins'] }, 'caliper-off-press', 'caliper-off'],
    ['a pivoting caliper', { traits: ['pivoting'] }, 'caliper-off-pivot', 'caliper-off'],
    ['a drum', { caliper: 'drum' }, 'drum-off', 'rotor-off'],
    [
      'a drum with its bearings',
      { caliper: 'drum', traits: ['bearing-in-rotor'] },
      'drum-bearing-off',
      'drum-off',
    ],
  ])('with %s', (_, own, there, gone) => {
    const steps = stepsOf(own);
    expect(steps).toContain(there);
    if (gone) expect(steps).not.toContain(gone);
    if (there === 'service-mode') expect(steps[0]).toBe('service-mode');
  });

  test('a drum has its own steps, looks and parts, and none of rotor, caliper or pads', () => {
    const context = contextOf({ ...plain, position: 'rear', caliper: 'drum' }, shipped);
    const steps = planSteps(PROCEDURE, context);
    const codes = steps.map(({ code }) => code);
    const order = ['wheel-off', 'drum-look', 'match-mark', 'drum-adjuster-back', 'drum-off'];
    const rest = ['drum-size', 'shoes-look', 'shoes-off', 'drum-seat'];
    expect(codes.filter((code) => [...order, ...rest].includes(code))).toEqual([...order, ...rest]);
    const foreign = /pads|pins|bracket|caliper|rotor-off|piston|as-found|push-back|under-hat/;
    expect(codes.filter((code) => foreign.test(code))).toEqual([]);
    expect(steps.find(({ code }) => code === 'match-mark')?.title).toBe('Match-mark drum and hub');
    const items = lookItems(PROCEDURE, context);
    expect(items.filter(({ group }) => ['rotor', 'pads', 'caliper'].includes(group))).toEqual([]);
    expect(items.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['shoe-lining', 'cylinder', 'adjuster', 'cable', 'hose', 'leaks']),
    );
    // Nothing of a drum is asked where a rotor is.
    const beside = lookItems(PROCEDURE, contextOf(plain, shipped));
    expect(beside.filter(({ group }) => group === 'drum')).toEqual([]);
    const back = planSteps(PROCEDURE, context, 'rebuild').map(({ code }) => code);
    expect(back.filter((code) => /shoes|drum|adjust/.test(code))).toEqual([
      'shoes-on',
      'drum-clean',
      'drum-on',
      'shoe-adjust',
    ]);
    // Every part that comes off goes back on.
    const off = steps.flatMap(({ parts }) => parts);
    const on = planSteps(PROCEDURE, context, 'rebuild').flatMap(({ parts }) => parts);
    expect(off.filter((part) => !on.includes(part))).toEqual([]);
  });

  test('what a rotor is made of decides what is looked at', () => {
    const codes = (traits: string[]): string[] =>
      lookItems(PROCEDURE, contextOf({ ...plain, traits }, shipped)).map(({ code }) => code);
    expect(codes(['two-piece'])).toContain('buttons');
    expect(codes(['composite'])).toContain('composite-wear');
    expect(codes([])).not.toEqual(expect.arrayContaining(['buttons']));
    expect(codes([])).not.toContain('cut-finish');
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
