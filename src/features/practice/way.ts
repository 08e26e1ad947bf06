import { z } from 'zod';
import {
  READING_MINUTES,
  workOf,
  worthOf,
  type BenchFault,
  type PracticeCase,
} from '@/core/practice';
import { formatIn, type UnitSystem } from '@/core/units';
import type { PracticeWrite } from '@/ui/keeper';
import { sayPlace } from './words';
import { actionSchema, AS_READINGS } from './run';

/** One step of a case of one corner. */
export interface WayStep {
  readonly say: string;
  readonly minutes: number;
  /** What it was worth, where it was worth something. */
  readonly worth?: string | undefined;
}

const setSchema = z.object({
  kind: z.enum(['runout', 'thickness', 'hub']),
  shift: z.number().default(0),
  positions: z.number().nullish(),
});

const SET_SAYS = {
  runout: 'Runout begun',
  thickness: 'Thickness begun',
  hub: 'Hub face begun',
} as const;

/** What a fault that was put right would have done to the figure. */
function sayWorth(own: PracticeCase, fault: BenchFault, units: UnitSystem): string | undefined {
  const worth = worthOf(own, fault);
  if (!worth) return undefined;
  const figure = worth.what === 'runout' ? 'runout' : 'thickness';
  if (worth.isTurned) return `without it high and low of the ${figure} change places`;
  const off = formatIn(units, 'deviation', Math.abs(worth.error));
  return `without it the ${figure} reads ${off} too ${worth.error > 0 ? 'much' : 'little'}`;
}

/** What a look or a remedy came to. */
function sayAction(
  own: PracticeCase,
  input: unknown,
  isRight: ReadonlySet<string>,
  units: UnitSystem,
): WayStep[] {
  const read = actionSchema.safeParse(input);
  if (!read.success) return [];
  const { kind, fault } = read.data;
  const { look, remedy } = workOf(fault);
  const { name, minutes } = kind === 'look' ? look : remedy;
  const isFound = own.faults[fault] !== undefined && !isRight.has(fault);
  const found = kind === 'remedy' ? 'put right' : isFound ? 'found' : 'nothing there';
  const worth = kind === 'remedy' ? sayWorth(own, fault, units) : undefined;
  return [{ say: `${name}: ${found}`, minutes, worth }];
}

const sayReadings = (count: number): WayStep[] =>
  count === 0
    ? []
    : [
        {
          say: count === 1 ? '1 reading' : `${count} readings`,
          minutes: count * READING_MINUTES,
        },
      ];

/** What else of a case is a step, by the name of its write. */
const NAMED: Readonly<Record<string, string>> = {
  'set-lap': 'One more lap',
  'set-aside': 'A set put aside',
  'set-take-back': 'A set taken back in',
};

/** What was done in a case of one corner, step by step; readings of one set after another are one. */
export function wayOf(
  own: PracticeCase,
  writes: readonly PracticeWrite[],
  units: UnitSystem,
): WayStep[] {
  const steps: WayStep[] = [];
  const isRight = new Set<string>();
  let readings = 0;
  const add = (next: readonly WayStep[]): void => {
    if (next.length === 0) return;
    steps.push(...sayReadings(readings), ...next);
    readings = 0;
  };
  for (const { name, input } of writes) {
    if (name in AS_READINGS) readings += AS_READINGS[name]!;
    else if (name === 'practice-action') {
      add(sayAction(own, input, isRight, units));
      const done = actionSchema.safeParse(input).data;
      if (done?.kind === 'remedy') isRight.add(done.fault);
    } else if (name === 'set-begin') {
      const set = setSchema.safeParse(input).data;
      if (!set) continue;
      const places = set.positions ? `, ${set.positions} places` : '';
      add([{ say: `${SET_SAYS[set.kind]}${places}, ${sayPlace(own, set.shift)}`, minutes: 0 }]);
    } else if (NAMED[name]) add([{ say: NAMED[name], minutes: 0 }]);
  }
  return [...steps, ...sayReadings(readings)];
}
