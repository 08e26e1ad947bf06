import type { AxleLimits } from '@/core/assessment';
import { actionRecord } from '@/core/options';
import { sayWay, WAYS, type Way } from '@/core/practice';
import { formatIn, type UnitSystem } from '@/core/units';
import { AnswerForm } from './AnswerForm';

/** A way that can be decided for, in words. */
export const wayName = (way: Way): string =>
  way === 'leave' ? 'Leave it where it sits now' : actionRecord(way).name;

const ANSWERS = WAYS.map((value) => ({
  value,
  name: wayName(value),
  note: sayWay(value),
}));

/** How thick a rotor is as new, may be cut to and may be worn to. */
export function sayLimits(limits: AxleLimits, units: UnitSystem): string {
  const named = [
    ['New', limits.nominal],
    ['machine-to', limits.machineTo],
    ['discard', limits.discard],
  ] as const;
  return named
    .flatMap(([name, limit]) => (limit ? `${name} ${formatIn(units, 'size', limit.value)}` : []))
    .join(', ');
}

/** Asks what is done about the rotor. */
export const DecideAnswer = ({
  limits,
  units,
  ...rest
}: {
  readonly limits: AxleLimits;
  readonly units: UnitSystem;
  readonly onSay: (way: Way) => void;
  readonly onLeave: () => void;
}) => (
  <AnswerForm
    asked="What is done about this rotor?"
    known={`${sayLimits(limits, units)}.`}
    answers={ANSWERS}
    button="Do it and show the truth"
    {...rest}
  />
);
