'use client';

import { useRef, useState } from 'react';
import {
  preparationFor,
  recommendedPositions,
  type PreparationId,
  type Purpose,
} from '@/core/quality';
import { SWEEP_PLACES } from '@/core/readings';
import { FIRST_PLACES } from '@/core/thickness';
import type { UnitSystem } from '@/core/units';
import { detailText, readDetail, type Detail } from './detail';
import { KIND_NAME, type BenchCorner, type BenchSet } from './model';
import { planFor, readAngles, readPositions, type SetPlan } from './plan';
import { DETAILS, type StarterTexts } from './SetCircumstances';

/** What a set is read for: it says how many places it begins with. */
type ReadFor = Purpose | 'settled' | 'prints' | 'sweep';

/** What is wrong with a field, in words. */
type StarterMessages = StarterTexts & { readonly positions?: string };

/** Pad prints and rust lie between eight places: they are looked for on as many as these. */
const PRINT_PLACES = 24;

function purposesOf(kind: BenchSet['kind'], studs: number, nuts: string, canSweep: boolean) {
  const usual = recommendedPositions('usual', studs);
  const pull = recommendedPositions('nut-pull', studs);
  const choice = (value: ReadFor, positions: number, label: string) => ({
    value,
    positions,
    label,
  });
  return kind === 'thickness'
    ? [
        choice(
          'settled',
          FIRST_PLACES,
          `variation: ${FIRST_PLACES} places, more until it is settled`,
        ),
        choice('prints', PRINT_PLACES, `pad prints or rust seen: ${PRINT_PLACES} places`),
        choice('usual', usual, `${usual} places and no more`),
      ]
    : [
        choice('usual', usual, `wobble and variation: ${usual} recommended`),
        choice('nut-pull', pull, `uneven ${nuts} torque too: ${pull} recommended`),
        ...(canSweep
          ? [
              choice(
                'sweep',
                SWEEP_PLACES[0],
                'all of it in one slow turn: the gauge sends as it goes',
              ),
            ]
          : []),
      ];
}

/** Whether the dial of a plan sends readings by itself: it is on a cable, or a virtual one. */
export function sendsByItself(
  { gaugeId = null, isVirtual }: SetPlan,
  corner: BenchCorner,
): boolean {
  const dials = corner.gauges.filter(
    ({ kind, retiredAt }) => kind === 'dial' && retiredAt === null,
  );
  const own = dials.find(({ id }) => id === gaugeId) ?? dials.find(({ isUsual }) => isUsual);
  return isVirtual === true || corner.practice !== undefined || Boolean(own?.lineFormat);
}

/** What a set that is being prepared is begun with. */
interface Begun {
  readonly own: SetPlan;
  readonly texts: StarterTexts;
  readonly positions: string;
  /** What is asked of it and not left out: the nuts want their torque. */
  readonly isDrawnUp: boolean;
  readonly nuts: string;
  readonly left: readonly PreparationId[];
}

/** The plan of a set as it was chosen and typed, or what is wrong with its fields. */
function readStart(
  { own, texts, positions, isDrawnUp, nuts, left }: Begun,
  units: UnitSystem,
): { readonly plan: SetPlan } | { readonly wrong: StarterMessages } {
  const where = readAngles(texts.angles ?? '');
  const count = where.angles
    ? { positions: where.angles.length }
    : own.sweep
      ? { positions: SWEEP_PLACES[0] }
      : readPositions(positions);
  const noted: Partial<Record<Detail, number | null>> = {};
  const wrong: Partial<Record<Detail | 'angles' | 'positions', string>> = {};
  if (count.message) wrong.positions = count.message;
  if (where.message) wrong.angles = where.message;
  for (const [detail] of DETAILS[own.kind]) {
    const read = readDetail(detail, texts[detail] ?? '', units);
    if ('message' in read) wrong[detail] = read.message;
    else noted[detail] = read.value;
  }
  if (isDrawnUp && !wrong.torqueNm && typeof noted.torqueNm !== 'number') {
    wrong.torqueNm = `Say to what torque the ${nuts}s were drawn up, or take the tick from them.`;
  }
  if (Object.keys(wrong).length > 0 || count.positions === undefined) return { wrong };
  const angles = where.angles ?? null;
  const settle = own.settle === true && angles === null && count.positions === FIRST_PLACES;
  if (own.sweep) {
    const swept = { positions: SWEEP_PLACES[0], settle: false, angles: null };
    return { plan: { ...own, ...noted, ...swept, left: [...left] } };
  }
  return {
    plan: { ...own, ...noted, positions: count.positions, settle, angles, left: [...left] },
  };
}

/** What is chosen for a set: kind, number of places, what it is read for. */
function useChoices(corner: BenchCorner, plan: SetPlan) {
  const [own, setOwn] = useState(plan);
  const [positions, setPositions] = useState(String(plan.positions));
  const [purpose, setPurpose] = useState<ReadFor>(
    plan.sweep ? 'sweep' : plan.settle ? 'settled' : 'usual',
  );
  const nuts = corner.fastening === 'studs' ? 'nut' : 'bolt';
  const canSweep = sendsByItself(own, corner);
  const readFor = purposesOf(own.kind, corner.studs, nuts, canSweep);
  const change = (some: Partial<SetPlan>): void => setOwn({ ...own, ...some });
  return {
    ...{ own, change, positions, setPositions, purpose, readFor, nuts },
    pickKind: (kind: BenchSet['kind']): void => {
      const next = planFor(kind, own, corner);
      // A number that was typed stands.
      const isTyped = positions !== String(own.positions);
      setOwn({ ...next, gaugeId: null, settle: next.settle === true && !isTyped });
      if (!isTyped) setPositions(String(next.positions));
      setPurpose(next.settle && !isTyped ? 'settled' : next.sweep ? 'sweep' : 'usual');
    },
    /** What it is read for says how many places it begins with. */
    pickPurpose: (value: string): void => {
      const chosen = readFor.find((each) => each.value === value);
      if (!chosen) return;
      setPurpose(chosen.value);
      setPositions(String(chosen.positions));
      change({
        positions: chosen.positions,
        settle: chosen.value === 'settled',
        sweep: chosen.value === 'sweep',
      });
    },
  };
}

/** A set that is being prepared: what is chosen, ticked and typed, and what begins it. */
export function useStarter(
  corner: BenchCorner,
  plan: SetPlan,
  onStart: (plan: SetPlan) => void,
  onTouch?: () => void,
) {
  const torque = useRef<HTMLDivElement>(null);
  const choices = useChoices(corner, plan);
  const { own, positions, nuts } = choices;
  const proved = corner.carried?.proved ?? [];
  const [said, setSaid] = useState<readonly PreparationId[]>(proved.map(({ id }) => id));
  const [texts, setTexts] = useState<StarterTexts>(() => ({
    angles: (plan.angles ?? []).join(' '),
    torqueNm: detailText('torqueNm', plan.torqueNm ?? null, corner.units),
    endPlayUm: detailText('endPlayUm', plan.endPlayUm ?? null, corner.units),
  }));
  const [messages, setMessages] = useState<StarterMessages>({});
  const shifts = Array.from({ length: corner.studs }, (_, shift) => shift).filter(
    (shift) => corner.allowedShifts?.includes(shift) ?? true,
  );
  const asked = { ...corner, kind: own.kind, asFound: corner.phase === 'as-found' };
  const items = preparationFor(asked);
  const carried = corner.carried?.torqueNm ?? null;
  const carriedText = detailText('torqueNm', carried?.value ?? null, corner.units);
  const begin = (left: readonly PreparationId[]): void => {
    const isDrawnUp = items.some(({ id }) => id === 'nuts') && !left.includes('nuts');
    const read = readStart({ own, texts, positions, isDrawnUp, nuts, left }, corner.units);
    const wrong = 'wrong' in read ? read.wrong : {};
    setMessages(wrong);
    if (wrong.torqueNm) torque.current?.querySelector('input')?.focus();
    if ('plan' in read) onStart(read.plan);
  };
  return {
    ...{ ...choices, corner, asked, items, proved, said, setSaid, torque, shifts, begin },
    pickKind: (kind: BenchSet['kind']): void => {
      choices.pickKind(kind);
      onTouch?.();
    },
    ...{ texts, messages, name: KIND_NAME[own.kind].toLowerCase() },
    left: items.map(({ id }) => id).filter((id) => !said.includes(id)),
    torqueSource: texts.torqueNm === carriedText ? carried?.source : undefined,
    type: (field: keyof StarterTexts, text: string): void => setTexts({ ...texts, [field]: text }),
  };
}

export type Starter = ReturnType<typeof useStarter>;
