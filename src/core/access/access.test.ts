import { holds, IDLE_MS, refusePassword, refusePin, SHIFT_MS, stillToWait, waitAfter } from '.';

describe('waits between tries', () => {
  test('a slip costs nothing, a thousand tries cost days', () => {
    expect([0, 1, 2].map(waitAfter)).toEqual([0, 0, 0]);
    expect([3, 4, 5].map(waitAfter)).toEqual([2, 4, 8]);
    const all = Array.from({ length: 1000 }, (_, failed) => waitAfter(failed));
    const hours = all.reduce((sum, wait) => sum + wait, 0) / 3600;
    expect(hours).toBeGreaterThan(24 * 10);
    // A wait never becomes shorter by trying on.
    for (let i = 1; i < all.length; i += 1) expect(all[i]).toBeGreaterThanOrEqual(all[i - 1]!);
  });
  test('what has passed since is counted, and no more', () => {
    expect(stillToWait(5, 0)).toBe(8);
    expect(stillToWait(5, 7.5)).toBe(1);
    expect(stillToWait(5, 8)).toBe(0);
    expect(stillToWait(5, 1e9)).toBe(0);
  });
});

test.each(['12345', 'abcdef', '000000', '123456', '987654', '121212', '123123', '1234567890123'])(
  '%s is no PIN',
  (pin) => expect(refusePin(pin)).not.toBeNull(),
);
test.each(['402917', '1123581', '135792'])('%s may be one', (pin) =>
  expect(refusePin(pin)).toBeNull(),
);

test('a password is long and no pattern', () => {
  expect(refusePassword('short', 'Ines')).toMatch(/12 characters/);
  expect(refusePassword('aaaaaaaaaaaaaa', 'Ines')).toMatch(/guessed/);
  expect(refusePassword('Annabella Annabella', 'Annabella')).toMatch(/name/);
  expect(refusePassword('annabelleannabelle', 'Annabelle')).toMatch(/name/);
  expect(refusePassword('wet rust on the lift', 'Ines')).toBeNull();
});

test('a session ends with the shift, by idling, or by hand', () => {
  const fresh = { beganAt: 0, usedAt: 0, endedAt: null };
  expect(holds(fresh, IDLE_MS - 1)).toBe(true);
  expect(holds(fresh, IDLE_MS)).toBe(false);
  expect(holds({ ...fresh, usedAt: SHIFT_MS - 2 }, SHIFT_MS - 1)).toBe(true);
  expect(holds({ ...fresh, usedAt: SHIFT_MS - 1 }, SHIFT_MS)).toBe(false);
  expect(holds({ ...fresh, endedAt: 5 }, 6)).toBe(false);
});
