import type { AxlePosition, Fastening } from '../readings';
import type { RuleInForce } from './rules';
import type { Caliper, When } from './types';

/** What decides which steps and items apply at a corner. */
export interface Context {
  readonly traits: ReadonlySet<string>;
  readonly rules: readonly RuleInForce[];
}

/** An axle as far as its strip-down differs from another's. */
export interface AxleTraits {
  readonly position: AxlePosition;
  readonly fastening: Fastening;
  readonly caliper: Caliper;
  readonly traits: readonly string[];
  readonly isBrakeByWire: boolean;
}

/** The context of an axle's corners; brakes that can apply by themselves are marked so. */
export function contextOf(axle: AxleTraits, rules: readonly RuleInForce[]): Context {
  const traits = new Set([...axle.traits, axle.position, axle.fastening, axle.caliper]);
  if (axle.isBrakeByWire) traits.add('brake-by-wire');
  if (axle.isBrakeByWire || traits.has('electric-parking-brake')) traits.add('self-applying');
  return { traits, rules };
}

const RULE = /^rule:([a-z-]+)=([a-z-]+)$/;

/** Whether everything in `when` holds; nothing asked always holds. */
export const fits = ({ traits, rules }: Context, when: When | undefined): boolean =>
  (when ?? []).every((token) => {
    const [, rule, school] = RULE.exec(token) ?? [];
    if (rule) return rules.some((each) => each.rule.code === rule && each.school.code === school);
    return token.startsWith('!') ? !traits.has(token.slice(1)) : traits.has(token);
  });
