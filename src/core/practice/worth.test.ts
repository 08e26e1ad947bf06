import { cornerCase, worthOf, type BenchFault } from '.';
import { caseOf } from './case';

/** The first case of a kind whose bench has a fault. */
function caseWith(fault: BenchFault, subject: 'dial' | 'micrometer') {
  for (let seed = 1; ; seed += 1) {
    const own = caseOf({ level: 'read', subject, seed });
    if (own.faults[fault]) return own;
  }
}

test.each([
  ['hot', 'micrometer', 20],
  ['lip', 'micrometer', 30],
] as const)('%s lets a worn rotor read as a thicker one', (fault, subject, least) => {
  const worth = worthOf(caseWith(fault, subject), fault)!;
  expect(worth.what).toBe('least');
  expect(worth.error).toBeGreaterThan(least);
});

test('a micrometer off zero is off by that, either way', () => {
  const own = caseWith('zero', 'micrometer');
  expect(worthOf(own, 'zero')!.error).toBeCloseTo(own.faults.zero!.zeroError!, -0.5);
});

test.each(['end-play', 'slot', 'loose-base'] as const)(
  '%s adds to what the dial reads',
  (fault) => {
    const worth = worthOf(caseWith(fault, 'dial'), fault)!;
    expect(worth.what).toBe('runout');
    expect(Math.abs(worth.error)).toBeGreaterThan(3);
  },
);

test('from the other face the figure is right and its place is not', () => {
  const worth = worthOf(caseWith('other-face', 'dial'), 'other-face')!;
  expect(worth.isTurned).toBe(true);
});

test('what is not wrong is worth nothing, and the same case says the same', () => {
  const own = cornerCase('RD-00003');
  expect(worthOf(own, 'slot')).toBeNull();
  expect(worthOf(own, 'dirt')).toEqual(worthOf(own, 'dirt'));
});
