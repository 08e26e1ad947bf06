import { KNOWLEDGE, PROCEDURE } from '@/core/contracts';
import { isChoice } from '@/core/diagnosis';
import { lookOfFinding } from '@/core/procedure';
import { usualAnswer, type FindCase } from '@/core/practice';
import { carOf, tellOf } from './tell';

const CAR = carOf('FB-0000B');
/** The same car, of which one finding shows something else and all others what most cars show. */
const showing = (code: string, value: string): FindCase => ({
  ...CAR,
  shows: CAR.shows.map((each) => {
    const usual = usualAnswer(KNOWLEDGE.findings.find((finding) => finding.code === each.code)!);
    return { ...each, value: each.code === code ? value : (usual?.code ?? 0.2) };
  }),
});
const look = (own: FindCase, code: string, corner = CAR.corner as string): string =>
  tellOf(own, 'mm', { kind: 'look', code, corner })!.say;

const LOOKS = KNOWLEDGE.findings
  .filter((finding) => finding.stage === 'inspect' && finding.perCorner)
  .flatMap((finding) =>
    isChoice(finding) ? finding.values.map((value) => ({ finding, value })) : [],
  )
  .flatMap(({ finding, value }) => {
    const seen = lookOfFinding(PROCEDURE, { code: finding.code, value: value.code });
    return seen && seen.found.length > 0 ? [{ code: finding.code, value, item: seen.item }] : [];
  });

test('whatever is wrong with a car is told by the look at it, and at its own corner alone', () => {
  expect(LOOKS.length).toBeGreaterThan(20);
  const told = LOOKS.filter(({ code, value, item }) =>
    look(showing(code, value.code), item).includes(value.label),
  );
  expect(told).toHaveLength(LOOKS.length);
  const elsewhere = LOOKS.filter(({ code, value, item }) =>
    look(showing(code, value.code), item, 'FR').includes(value.label),
  );
  expect(elsewhere).toEqual([]);
});

test('a crack is told by the look for cracks, though another finding says that there are none', () => {
  expect(look(showing('face-check', 'crack'), 'cracks')).toMatch(/crack/i);
  expect(look(showing('face-check', 'crack'), 'stamp')).toBe('Nothing wrong is seen there.');
});
