import { act, fireEvent } from '@testing-library/react';
import { PROCEDURE } from '@/core/contracts';
import { calledFor, drawnCorner } from '@/core/corner';
import { contextOf, lookItems, padMeanings, planSteps, rulesInForce } from '@/core/procedure';
import type { CornerWork } from '@/features/strip/CornerOrder';
import { pageStore } from '@/ui/keeper/deviceStore';
import { pageLog } from '@/ui/keeper/doneLog';
import { Keeper } from '@/ui/keeper/Keeper';
import type { WriteAnswer } from '@/ui/keeper/types';
import type { CheckView } from '@/features/strip/model';

const KEPT = { state: 'done', value: { kept: true, stamp: 'new' } };

/** What the screens asked of the server, and what it answers next. */
export const bench: { calls: (readonly [string, unknown])[]; answer: object } = {
  calls: [],
  answer: KEPT,
};

const fake = {
  keeper: null as Keeper | null,
  /** A keeper like the browser’s, whose server answers as the bench says. */
  make: (): Keeper =>
    new Keeper({
      store: pageStore(),
      log: pageLog(),
      send: (_device, writes) => {
        for (const { name, input } of writes) bench.calls.push([name, input]);
        return Promise.resolve(
          writes.map(({ id }) => ({ id, ...bench.answer }) as unknown as WriteAnswer),
        );
      },
      alone: (run) => run(),
      crier: { tell: () => undefined, listen: () => undefined },
      pause: () => new Promise((resolve) => setTimeout(resolve, 5)),
    }),
};

/** Stands in for the keeper of the browser. */
export const fakeBrowser = { browserKeeper: (): Keeper => (fake.keeper ??= fake.make()) };

/** The page is loaded anew, and shows what was written before. */
export const pageIsLoaded = (): void =>
  act(() => fake.keeper?.isShown(fake.keeper.current().lately));

export function clearBench(): void {
  bench.calls.length = 0;
  bench.answer = KEPT;
  fake.keeper = null;
}

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

export const context = contextOf(
  {
    position: 'front',
    fastening: 'studs',
    caliper: 'floating',
    traits: ['wear-sensor'],
    isBrakeByWire: false,
  },
  rulesInForce(PROCEDURE, {}),
);

const called = calledFor(
  PROCEDURE,
  context,
  lookItems(PROCEDURE, context).map(({ code }) => code),
);

/** A front corner with a floating caliper, nothing gone through yet. */
export const work = (more: Partial<CornerWork> = {}): CornerWork => ({
  kind: 'step',
  jobId: 'j',
  corner: 'FL',
  steps: planSteps(PROCEDURE, context),
  items: lookItems(PROCEDURE, context),
  questions: [],
  figures: PROCEDURE.figures.filter(({ of }) => of === 'pad'),
  meanings: padMeanings(
    { innerLeading: 4000, innerTrailing: null, outerLeading: 8000, outerTrailing: null },
    null,
  ),
  checks: [],
  choices: PROCEDURE.parts.map((part) => ({ ...part, fate: 'reuse' })),
  parts: [],
  pistons: { count: 1, diameterUm: 40_000, calipers: 2 },
  seat: null,
  scene: { parts: drawnCorner(context, called), torque: {} },
  photos: [],
  units: 'mm',
  ...more,
});
