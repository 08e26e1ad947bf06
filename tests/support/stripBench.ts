import { act, fireEvent } from '@testing-library/react';
import { PROCEDURE } from '@/core/contracts';
import { contextOf, lookItems, padMeanings, planSteps, rulesInForce } from '@/core/procedure';
import type { CornerWork } from '@/features/strip/CornerOrder';
import type { CheckView } from '@/features/strip/model';

const KEPT = { ok: true, value: { kept: true, stamp: 'new' } };

/** What the screens asked of the server, and what it answers next. */
export const bench: { calls: unknown[][]; answer: unknown } = { calls: [], answer: KEPT };

export function clearBench(): void {
  bench.calls.length = 0;
  bench.answer = KEPT;
}

const say =
  (name: string) =>
  (...args: unknown[]): Promise<unknown> => {
    bench.calls.push([name, ...args]);
    return Promise.resolve(bench.answer);
  };

/** Stands in for the actions of the Strip stage. */
export const fakeActions = {
  checkAction: say('check'),
  allSoundAction: say('all-sound'),
  takeSoundBackAction: say('sound-back'),
  copyPlanAction: say('copy'),
  takeOffPartAction: say('take-off'),
  changePartAction: say('change'),
  dropPartAction: say('drop'),
  takePhotoBackAction: say('photo-back'),
};

/** Gives the test browser the dialogs that it lacks. */
export function withDialogs(): void {
  HTMLDialogElement.prototype.showModal = function open() {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function close() {
    this.open = false;
  };
}

/** Waits until what was asked is answered and shown. */
export const settle = (): Promise<void> =>
  act(async () => new Promise((resolve) => setTimeout(resolve, 5)));

export async function press(element: HTMLElement): Promise<void> {
  fireEvent.click(element);
  await settle();
}

/** The first check that was sent. */
export const firstCheck = (): unknown => bench.calls.find(([name]) => name === 'check')?.[1];

/** A check as it stands on a screen, by Wren at two minutes past two. */
export const check = (
  kind: CheckView['kind'],
  item: string,
  value: unknown,
  place = 'FL',
): CheckView => ({
  ...{ kind, item, value, place, note: null },
  ...{ by: 'Wren', at: '14:02', stamp: `stamp-${item}` },
});

const context = contextOf(
  {
    position: 'front',
    fastening: 'studs',
    caliper: 'floating',
    traits: ['wear-sensor'],
    isBrakeByWire: false,
  },
  rulesInForce(PROCEDURE, {}),
);

/** A front corner with a floating caliper, nothing gone through yet. */
export const work = (more: Partial<CornerWork> = {}): CornerWork => ({
  kind: 'step',
  jobId: 'j',
  corner: 'FL',
  steps: planSteps(PROCEDURE, context),
  items: lookItems(PROCEDURE, context),
  figures: PROCEDURE.figures.filter(({ of }) => of === 'pad'),
  meanings: padMeanings(
    { innerLeading: 4000, innerTrailing: null, outerLeading: 8000, outerTrailing: null },
    null,
  ),
  checks: [],
  choices: PROCEDURE.parts.map((part) => ({ ...part, fate: 'reuse' })),
  parts: [],
  pistons: { count: 1, diameterUm: 40_000, calipers: 2 },
  photos: [],
  units: 'mm',
  ...more,
});
