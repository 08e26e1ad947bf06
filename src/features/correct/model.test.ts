import { budgetUsed, dialSettings, judgeFinished } from './model';

test('dial settings count from first contact and end at the depth of the side', () => {
  expect(dialSettings([120, 120, 50])).toEqual([
    { number: 1, kind: 'rough', depth: 120, dial: 120 },
    { number: 2, kind: 'rough', depth: 120, dial: 240 },
    { number: 3, kind: 'finish', depth: 50, dial: 290 },
  ]);
  expect(dialSettings([30])).toEqual([{ number: 1, kind: 'finish', depth: 30, dial: 30 }]);
});

test('a finished thickness is judged with the guard band of the micrometer', () => {
  const floors = { machineTo: 26_500, discard: 26_000 };
  const at = (um: number) => judgeFinished(um, 26_800, floors, 2).state;
  expect(at(26_790)).toBe('within');
  expect(at(26_502)).toBe('too-close');
  expect(at(26_480)).toBe('beyond');
  expect(at(26_002)).toBe('below-discard');
  expect(judgeFinished(26_790, 26_800, floors, 2).apart).toBe(-10);
  expect(judgeFinished(26_790, null, floors, 2).apart).toBeNull();
});

test('the share of the budget, and none where there is no budget', () => {
  const cut = { removedFromThickest: 200, budget: 800 } as Parameters<typeof budgetUsed>[0];
  expect(budgetUsed(cut)).toBe(0.25);
  expect(budgetUsed({ ...cut, budget: -20 })).toBeNull();
});
