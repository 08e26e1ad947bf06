import { act, fireEvent, render, screen } from '@testing-library/react';
import { addTallies, NO_TALLIES, proveCorner, type ProvingPlan } from '@/core/bench';
import { NEW_SHOP } from '@/core/options';
import type { ProvingState } from '@/workers/provingClient';
import { ProvingGround } from './ProvingGround';

const study: { plan: ProvingPlan | null; say: (state: ProvingState) => void; stopped: number } = {
  ...{ plan: null, stopped: 0 },
  say: () => undefined,
};
jest.mock('@/workers/provingClient', () => ({
  NOT_BEGUN: {
    tallies: jest.requireActual<{ NO_TALLIES: object }>('@/core/bench').NO_TALLIES,
    ...{ done: 0, isOver: false, trouble: null },
  },
  startProving: (plan: ProvingPlan, _corners: number, onState: (state: ProvingState) => void) => {
    Object.assign(study, { plan, say: onState });
    return () => {
      study.stopped += 1;
    };
  },
}));

const tick = (name: RegExp): boolean => fireEvent.click(screen.getByRole('checkbox', { name }));
const only = (): void => {
  for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
};

test('a study is begun with what was chosen, says how far it is, and what came of it', () => {
  const { unmount } = render(<ProvingGround shop={NEW_SHOP} units="mm" />);
  expect(screen.getAllByText('Assumed: the shop’s list does not say it.')).toHaveLength(6);
  only();
  expect(screen.getByText('Choose one way of working at least.')).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Try it' })).toBeDisabled();
  tick(/Leave it as it is/);
  fireEvent.change(screen.getByRole('slider', { name: /^A comeback costs/ }), {
    target: { value: '500' },
  });
  expect(screen.getByText('500 crowns')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Try it' }));
  expect(study.plan!.policies).toEqual(['as-fitted']);
  expect(study.plan!.setup.shop.prices.comeback).toBe(500);
  const tallies = [1, 2, 3, 4].reduce(
    (sum, number) => addTallies(sum, proveCorner(study.plan!, number)!),
    NO_TALLIES,
  );
  act(() => study.say({ tallies, done: 4, isOver: false, trouble: null }));
  expect(screen.getByRole('progressbar', { name: 'Corners tried' })).toHaveAttribute('value', '4');
  expect(
    screen.getByRole('row', {
      name: /Leave it as it is.*0\.0 % 0\.0 to 49\.0 %.*100\.0 %.*500 crowns/,
    }),
  ).toBeInTheDocument();
  expect(
    screen.getByText(/the demo’s figures stand for them: .*Tapered plate/),
  ).toBeInTheDocument();
  act(() => study.say({ tallies, done: 4, isOver: true, trouble: null }));
  expect(screen.getByText('4 corners were tried.')).toBeInTheDocument();
  fireEvent.change(screen.getByRole('slider', { name: /^Runout limit/ }), {
    target: { value: '60' },
  });
  expect(screen.getByText(/were changed since: try it again/)).toBeInTheDocument();
  unmount();
  expect(study.stopped).toBeGreaterThan(0);
});

test('why there is nothing to try is said', () => {
  render(<ProvingGround shop={NEW_SHOP} units="thou" />);
  fireEvent.click(screen.getByRole('button', { name: 'Try it' }));
  const trouble = 'With these figures every corner is within.';
  act(() => study.say({ tallies: NO_TALLIES, done: 0, isOver: true, trouble }));
  expect(screen.getByRole('status')).toHaveTextContent(trouble);
});
