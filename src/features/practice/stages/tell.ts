import { KNOWLEDGE, PROCEDURE } from '@/core/contracts';
import type { Finding, FindingStage } from '@/core/diagnosis';
import { findCaseOf, readCode, usualAnswer, type FindCase } from '@/core/practice';
import { lookOfFinding } from '@/core/procedure';
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

const SOUND = 'Nothing wrong is seen there.';
/** What a look takes that no cause is told by. */
const LOOK_MINUTES = 1;

/** The car of a code, made once. */
export const carOf = (code: string): FindCase => findCaseOf(readCode(code)!, KNOWLEDGE);

const findingOf = ({ knowledge }: FindCase, code: string | undefined): Finding | null =>
  knowledge.findings.find((each) => each.code === code) ?? null;

/** Whether a finding is asked for at a corner at which the car has none of it. */
const isElsewhere = (own: FindCase, { perCorner }: Finding, corner: string | null): boolean =>
  perCorner && corner !== null && corner !== own.corner;

/** What was drawn as wrong with a thing that is looked at: of one item more than one finding may tell. */
const wrongAt = (own: FindCase, item: string, corner: string | null): Finding[] =>
  own.shows.flatMap(({ code, value }) => {
    const look = lookOfFinding(PROCEDURE, { code, value: String(value) });
    const finding = look?.item === item && look.found.length > 0 ? findingOf(own, code) : null;
    return finding && !isElsewhere(own, finding, corner) ? [finding] : [];
  });

/** What a look at a thing shows. */
function sayLook(own: FindCase, units: UnitSystem, { code, corner }: AskedOfCar): CarTells {
  const item = PROCEDURE.items.find((each) => each.code === code);
  const usual = findingOf(own, item?.soundSays?.code);
  const wrong = wrongAt(own, code, corner);
  const told = wrong.length === 0 && usual && !isElsewhere(own, usual, corner) ? [usual] : wrong;
  return {
    say: told.length === 0 ? SOUND : told.map((each) => sayShown(own, each, units)).join('; '),
    minutes: sayMinutes(usual?.minutes ?? LOOK_MINUTES),
    verb: VERB.inspect,
  };
}

/** What a car of practice answers where a page of its job asks; null where it has nothing to say. */
export function tellOf(own: FindCase, units: UnitSystem, asked: AskedOfCar): CarTells | null {
  if (asked.kind === 'look') return sayLook(own, units, asked);
  const finding = findingOf(own, asked.code);
  return (
    finding && {
      say: isElsewhere(own, finding, asked.corner)
        ? `${usualAnswer(finding)?.label ?? 'Within its limit'}.`
        : sayShown(own, finding, units),
      minutes: sayMinutes(finding.minutes),
      verb: VERB[finding.stage],
    }
  );
}
