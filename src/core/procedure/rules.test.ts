import { PROCEDURE, readChoices } from '../contracts/procedure';
import {
  contactsBy,
  contextOf,
  cutsEqually,
  fateOf,
  machiningAllowed,
  planSteps,
  productAt,
  rulesInForce,
  runoutByRule,
  type AxleTraits,
} from '.';

const shipped = rulesInForce(PROCEDURE, {});
const plain: AxleTraits = {
  position: 'front',
  fastening: 'studs',
  caliper: 'floating',
  traits: [],
  isBrakeByWire: false,
};

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
    expect(productAt(shipped, 'bore')).toMatch(/none packed in/);
    expect(productAt(rules({ 'pin-boots': 'packed' }), 'bore')).toMatch(/packed into the boot/);
    expect(productAt(rules({ bolts: 'anti-seize' }), 'bracket-bolts')).toMatch(/aluminium/);
    expect(productAt(shipped, 'pad-ear')).toBeNull();
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
