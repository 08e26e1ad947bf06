import { daysToKeep } from './rotation';

const days = (from: string, count: number): string[] =>
  Array.from({ length: count }, (_, i) =>
    new Date(Date.parse(`${from}T00:00:00Z`) + 86_400_000 * i).toISOString().slice(0, 10),
  );

test('the last seven days stay, then one a week, then one a month', () => {
  const all = days('2025-06-01', 400);
  const kept = [...daysToKeep(all)].sort().reverse();
  expect(kept.slice(0, 7)).toEqual(all.slice(-7).reverse());
  expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12);
  const months = new Set(kept.map((day) => day.slice(0, 7)));
  expect(months.size).toBe(12);
  // 5 July 2026 is a Sunday: the newest of its week, and no Monday before it is lost.
  expect(all.at(-1)).toBe('2026-07-05');
  expect(kept).toContain('2026-06-28');
});

test('thinned night by night it keeps as much as at once', () => {
  let kept: string[] = [];
  const all = days('2025-01-01', 500);
  for (const day of all) kept = [...daysToKeep([...kept, day])];
  expect(new Set(kept.map((day) => day.slice(0, 7))).size).toBe(12);
  expect(kept).toEqual(expect.arrayContaining(all.slice(-7)));
});

test('few days all stay, a day twice once', () => {
  expect([...daysToKeep(['2026-01-02', '2026-01-01', '2026-01-02'])].sort()).toEqual([
    '2026-01-01',
    '2026-01-02',
  ]);
  expect(daysToKeep([]).size).toBe(0);
});
