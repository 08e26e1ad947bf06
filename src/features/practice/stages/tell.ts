import { KNOWLEDGE, PROCEDURE } from '@/core/contracts';
import { isChoice, type Finding, type FindingStage } from '@/core/diagnosis';
import { findCaseOf, readCode, type FindCase } from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import type { AskedOfCar, CarTells } from '@/ui/practice';
import { sayMinutes } from '../find/FindChecks';
import { sayShown } from '../find/say';

const VERB: Readonly<Record<FindingStage, string>> = {
  complaint: 'Ask',
  'road-test': 'Drive',
  inspect: 'Look',
  measure: 'Do it',
};

/** What most cars answer. */
const sayUsual = (finding: Finding): string =>
  isChoice(finding)
    ? finding.values.reduce((p, q) => (q.usual > p.usual ? q : p)).label
    : 'within its limit';

/** A look that no cause is told by: nothing is wrong there in any car of practice. */
const SOUND = 'Nothing wrong is seen there';
const LOOK_MINUTES = 1;

/** The finding that a look is noted as; null where it is none. */
const findingOfLook = (own: FindCase, item: string): Finding | null => {
  const code = PROCEDURE.items.find((each) => each.code === item)?.soundSays?.code;
  return own.knowledge.findings.find((each) => each.code === code) ?? null;
};

/** The car of a code, made once. */
export const carOf = (code: string): FindCase => findCaseOf(readCode(code)!, KNOWLEDGE);

/** What a car of practice answers where a page of its job asks. */
export function tellOf(own: FindCase, units: UnitSystem, asked: AskedOfCar): CarTells | null {
  const { code, kind, corner } = asked;
  const finding =
    kind === 'look'
      ? findingOfLook(own, code)
      : (own.knowledge.findings.find((each) => each.code === code) ?? null);
  if (!finding) {
    return kind === 'look'
      ? { say: `${SOUND}.`, minutes: sayMinutes(LOOK_MINUTES), verb: VERB.inspect }
      : null;
  }
  const isElsewhere = finding.perCorner && corner !== null && corner !== own.corner;
  return {
    say: isElsewhere ? `${sayUsual(finding)}.` : sayShown(own, finding, units),
    minutes: sayMinutes(finding.minutes),
    verb: VERB[finding.stage],
  };
}
