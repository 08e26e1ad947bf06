import { KNOWLEDGE, PROCEDURE } from '../contracts';
import { isChoice } from '../diagnosis';

test('what a step asks is a question of the nose that is answered at a corner with the wheel on', () => {
  const asks = PROCEDURE.steps.flatMap(({ asks: codes }) => codes);
  expect(asks.length).toBeGreaterThan(3);
  for (const code of asks) {
    const finding = KNOWLEDGE.findings.find((each) => each.code === code);
    expect(finding && isChoice(finding) && finding.perCorner).toBe(true);
    expect(finding?.wheelOff).toBe(false);
  }
});

test('what loosening and lifting destroy is looked at before', () => {
  const lifting = PROCEDURE.lifting.map(({ code }) => code);
  expect(lifting.indexOf('as-driven')).toBeLessThan(lifting.indexOf('cracked-loose'));
  const steps = PROCEDURE.steps.map(({ code }) => code);
  expect(steps.indexOf('wheel-on')).toBeLessThan(steps.indexOf('wheel-off'));
});
