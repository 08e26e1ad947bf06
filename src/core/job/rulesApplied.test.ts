import { PROCEDURE } from '../contracts';
import { PLACED_RULES } from './rulesApplied';

test('of every house rule it is known where it applies', () => {
  expect([...PLACED_RULES].sort()).toEqual(PROCEDURE.rules.map(({ code }) => code).sort());
});
