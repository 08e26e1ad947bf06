'use client';

import { useRef, useState } from 'react';
import {
  preparationFor,
  recommendedPositions,
  type PreparationId,
  type Purpose,
} from '@/core/quality';
import { FIRST_PLACES } from '@/core/thickness';
import { detailText, readDetail, type Detail } from './detail';
import { KIND_NAME, type BenchCorner, type BenchSet } from './model';
import { planFor, readAngles, readPositions, type SetPlan } from './plan';
import { DETAILS, type StarterTexts } from './SetCircumstances';

/** What a set is read for: it says how many places it begins with. */
type ReadFor = Purpose | 'settled' | 'prints';

/** Pad prints and rust lie between eight places: they are looked for on as many as these. */
const PRINT_PLACES = 24;

function purposesOf(kind: BenchSet['kind'], studs: number, nuts: string) {
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
      ];
}

/** A set that is being prepared: what is chosen, ticked and typed, and what begins it. */
export function useStarter(corner: BenchCorner, plan: SetPlan, onStart: (plan: SetPlan) => void) {
  const torque = useRef<HTMLDivElement>(null);
  const [own, setOwn] = useState(plan);
  const proved = corner.carried?.proved ?? [];
  const [said, setSaid] = useState<readonly PreparationId[]>(proved.map(({ id }) => id));
  const [positions, setPositions] = useState(String(plan.positions));
  const [texts, setTexts] = useState<StarterTexts>(() => ({
    angles: (plan.angles ?? []).join(' '),
    torqueNm: detailText('torqueNm', plan.torqueNm ?? null, corner.units),
    endPlayUm: detailText('endPlayUm', plan.endPlayUm ?? null, corner.units),
  }));
  const [purpose, setPurpose] = useState<ReadFor>(plan.settle ? 'settled' : 'usual');
  const [messages, setMessages] = useState<StarterTexts & { readonly positions?: string }>({});
  const shifts = Array.from({ length: corner.studs }, (_, shift) => shift).filter(
    (shift) => corner.allowedShifts?.includes(shift) ?? true,
  );
  const asked = { ...corner, kind: own.kind, asFound: corner.phase === 'as-found' };
  const items = preparationFor(asked);
  const left = items.map(({ id }) => id).filter((id) => !said.includes(id));
  const name = KIND_NAME[own.kind].toLowerCase();
  const nuts = corner.fastening === 'studs' ? 'nut' : 'bolt';
  const carried = corner.carried?.torqueNm ?? null;
  const carriedText = detailText('torqueNm', carried?.value ?? null, corner.units);
  const torqueSource = texts.torqueNm === carriedText ? carried?.source : undefined;
  const readFor = purposesOf(own.kind, corner.studs, nuts);
  const pickKind = (kind: BenchSet['kind']): void => {
    const next = planFor(kind, own, corner);
    // A number that was typed stands.
    const isTyped = positions !== String(own.positions);
    setOwn({ ...next, gaugeId: null, settle: next.settle === true && !isTyped });
    if (!isTyped) setPositions(String(next.positions));
    setPurpose(next.settle && !isTyped ? 'settled' : 'usual');
  };
  const begin = (leaving: readonly PreparationId[]): void => {
    const where = readAngles(texts.angles ?? '');
    const count = where.angles ? { positions: where.angles.length } : readPositions(positions);
    const noted: Partial<Record<Detail, number | null>> = {};
    const wrong: Partial<Record<Detail | 'angles' | 'positions', string>> = {};
    if (count.message) wrong.positions = count.message;
    if (where.message) wrong.angles = where.message;
    for (const [detail] of DETAILS[own.kind]) {
      const read = readDetail(detail, texts[detail] ?? '', corner.units);
      if ('message' in read) wrong[detail] = read.message;
      else noted[detail] = read.value;
    }
    const isDrawnUp = items.some(({ id }) => id === 'nuts') && !leaving.includes('nuts');
    if (isDrawnUp && !wrong.torqueNm && typeof noted.torqueNm !== 'number') {
      wrong.torqueNm = `Say to what torque the ${nuts}s were drawn up, or take the tick from them.`;
    }
    setMessages(wrong);
    if (wrong.torqueNm) torque.current?.querySelector('input')?.focus();
    if (Object.keys(wrong).length > 0 || count.positions === undefined) {
      return;
    }
    const angles = where.angles ?? null;
    const settle = own.settle === true && angles === null && count.positions === FIRST_PLACES;
    onStart({ ...own, ...noted, positions: count.positions, settle, angles, left: [...leaving] });
  };
  /** What it is read for says how many places it begins with. */
  const pickPurpose = (value: string): void => {
    const chosen = readFor.find((each) => each.value === value);
    if (!chosen) return;
    setPurpose(chosen.value);
    setPositions(String(chosen.positions));
    change({ positions: chosen.positions, settle: chosen.value === 'settled' });
  };
  const change = (some: Partial<SetPlan>): void => setOwn({ ...own, ...some });
  return {
    ...{ corner, own, change, asked, items, proved, said, setSaid, left, name, nuts, torque },
    ...{ positions, setPositions, texts, messages, torqueSource, readFor, purpose },
    ...{ shifts, pickKind, pickPurpose, begin },
    type: (field: keyof StarterTexts, text: string): void => setTexts({ ...texts, [field]: text }),
  };
}

export type Starter = ReturnType<typeof useStarter>;
