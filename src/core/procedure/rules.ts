import type { Micrometres } from '../units';
import type { Effect, Fate, HouseRule, Procedure, RuleChoice } from './types';

/** The schools chosen, by the rule's code. */
export type Choices = Readonly<Record<string, string>>;

/** A rule as it is followed in a job. */
export interface RuleInForce {
  readonly rule: HouseRule;
  readonly school: RuleChoice;
  /** Whose choice it is. */
  readonly by: 'shipped' | 'shop' | 'job';
  /** Why the job goes another way; null unless it does. */
  readonly reason: string | null;
}

/** A job's own choice, with its reason. */
export interface JobChoice {
  readonly rule: string;
  readonly school: string;
  readonly reason: string;
}

const schoolOf = (rule: HouseRule, code: string | undefined): RuleChoice | undefined =>
  rule.schools.find((school) => school.code === code);

/**
 * The rules as a job follows them: its own choice before the shop's, the shop's
 * before what is shipped. A choice that is not known any more counts as none.
 */
export function rulesInForce(
  procedure: Procedure,
  shop: Choices,
  job: readonly JobChoice[] = [],
): RuleInForce[] {
  return procedure.rules.map((rule) => {
    const own = job.find((choice) => choice.rule === rule.code);
    const ownSchool = schoolOf(rule, own?.school);
    if (own && ownSchool) return { rule, school: ownSchool, by: 'job', reason: own.reason };
    const shopSchool = schoolOf(rule, shop[rule.code]);
    if (shopSchool) return { rule, school: shopSchool, by: 'shop', reason: null };
    const shipped = schoolOf(rule, rule.shipped);
    if (!shipped) throw new RangeError(`Rule ${rule.code} ships no school`);
    return { rule, school: shipped, by: 'shipped', reason: null };
  });
}

/** Every effect of the rules followed, with its rule's code. */
const effectsOf = (rules: readonly RuleInForce[]): (Effect & { readonly rule: string })[] =>
  rules.flatMap(({ rule, school }) =>
    school.effects.map((effect) => ({ ...effect, rule: rule.code })),
  );

/** What the rules put at a contact point, or null where none speaks of it. */
export function productAt(rules: readonly RuleInForce[], contact: string): string | null {
  const found = effectsOf(rules).find(({ kind, at }) => kind === 'contact' && at === contact);
  return found?.kind === 'contact' ? found.product : null;
}

/** What the rules make of a part, or null where they leave it open. */
export function fateOf(rules: readonly RuleInForce[], rule: string | null): Fate | null {
  const found = effectsOf(rules).find((effect) => effect.kind === 'fate' && effect.rule === rule);
  return found?.kind === 'fate' ? found.fate : null;
}

/** How often the rules allow a rotor to be machined. */
export function machiningAllowed(rules: readonly RuleInForce[]): 'always' | 'once' | 'never' {
  const found = effectsOf(rules).find(({ kind, at }) => kind === 'option' && at === 'machining');
  const allows = found?.kind === 'option' ? found.allows : 'always';
  return allows === 'never' || allows === 'once' ? allows : 'always';
}

/** Whether both sides of a rotor are cut equally deep. */
export const cutsEqually = (rules: readonly RuleInForce[]): boolean =>
  effectsOf(rules).some(
    (effect) => effect.kind === 'option' && effect.at === 'cuts' && effect.allows === 'equal',
  );

/** The installed runout limit that the rules give where no figure has a source. */
export function runoutByRule(rules: readonly RuleInForce[]): Micrometres | null {
  const found = effectsOf(rules).find(({ kind }) => kind === 'figure');
  return found?.kind === 'figure' ? found.micrometres : null;
}

/** What the rules do with pads where metal is cut or renewed, and with clips and hardware. */
export const partsByRule = (
  rules: readonly RuleInForce[],
): { readonly pads: Fate | null; readonly hardware: Fate | null } => ({
  pads: fateOf(rules, 'pads'),
  hardware: fateOf(rules, 'hardware'),
});
