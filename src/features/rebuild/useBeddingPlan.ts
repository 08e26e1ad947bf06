import { useMemo, useState } from 'react';
import {
  proposeSpacing,
  stopRise,
  WALKING_PACE,
  type BeddingSchool,
  type Programme,
} from '@/core/bedding';
import type { BeddingPlan } from '@/core/contracts';
import type { SpeedUnit } from '@/core/units';
import {
  heatToKeep,
  readHeat,
  readProgramme,
  typedGroup,
  typedPlan,
  typedProgramme,
  type HeatField,
  type Typed,
  type TypedPlan,
} from './beddingForm';

/** What a new group of stops begins as: speeds in km/h, spacing in s. */
const USUAL_STOPS = {
  stops: 3,
  from: 50,
  to: WALKING_PACE,
  hard: 'moderate',
  spacing: 60,
} as const;

/** A bedding-in that is being planned: what is typed, what it comes to, and what changes it. */
export function useBeddingPlan(
  plan: BeddingPlan,
  programmes: Readonly<Record<BeddingSchool, Programme>>,
  unit: SpeedUnit,
  carrier: string,
) {
  const [typed, setTyped] = useState(() => typedPlan(plan, unit));
  const [said, setSaid] = useState<string | null>(null);
  const read = useMemo(() => readProgramme(typed, unit), [typed, unit]);
  const { programme } = read;
  const heat = readHeat(typed.heat);
  const change = (some: Partial<TypedPlan>): void => setTyped({ ...typed, ...some });

  const propose = (): void => {
    if (!programme || !heat) return;
    const proposed = proposeSpacing(programme, heat);
    if (!proposed) {
      const worst = Math.max(...programme.groups.map((group) => stopRise(heat, group)));
      setSaid(
        `No spacing does it: one stop alone heats the ${carrier} by ${Math.round(worst)} °C. Lower the speed.`,
      );
      return;
    }
    const isSame = JSON.stringify(proposed.groups) === JSON.stringify(programme.groups);
    setSaid(
      isSame
        ? 'It stays below the ceiling as it is.'
        : `Spaced out: the ${carrier} stays below the ceiling.`,
    );
    change(typedProgramme(proposed, unit));
  };

  return {
    ...{ typed, read, heat, kept: heatToKeep(typed.heat, plan.heat), said, setSaid, change },
    propose,
    pick: (school: BeddingSchool): void => {
      setSaid(null);
      change({ school, ...typedProgramme(programmes[school], unit) });
    },
    addGroup: (): void => change({ groups: [...typed.groups, typedGroup(USUAL_STOPS, unit)] }),
    changeGroup: (at: number, next: Typed): void =>
      change({ groups: typed.groups.map((each, i) => (i === at ? next : each)) }),
    dropGroup: (at: number): void => change({ groups: typed.groups.filter((_, i) => i !== at) }),
    typeHeat: (field: HeatField, text: string): void =>
      change({ heat: { ...typed.heat, [field]: text } }),
  };
}

export type Planning = ReturnType<typeof useBeddingPlan>;
