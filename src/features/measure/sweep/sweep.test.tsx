import { act, fireEvent, render, screen } from '@testing-library/react';
import { begunSet } from '../held';
import type { BenchCorner } from '../model';
import { curveSoFar, beginTurn } from './turn';
import { SweepEntry } from './SweepEntry';
import { SweptLaps } from './SweptLaps';

const corner: BenchCorner = {
  ...{ jobId: 'j', corner: 'FL', phase: 'before', fastening: 'studs', studs: 5 },
  ...{ allowedShifts: null, limits: {}, units: 'mm', gauges: [] },
};
const set = begunSet({
  ...{ id: 's', jobId: 'j', corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
  ...{ positions: 240, shift: 0, isVirtual: true, sweep: true },
});

const handlers = () => ({ onBegun: jest.fn(), onSwept: jest.fn(), onDraw: jest.fn() });

beforeEach(() => {
  jest.useFakeTimers({ advanceTimers: false });
  Element.prototype.scrollIntoView = jest.fn();
});
afterEach(() => jest.useRealTimers());

const wait = (ms: number): void => act(() => void jest.advanceTimersByTime(ms));
const space = (): void => {
  fireEvent.keyDown(document.activeElement ?? document.body, { key: ' ' });
};

describe('a turn that is swept', () => {
  test('begins at the mark, is marked at each stud and ends when the mark is back: six keys', () => {
    const own = handlers();
    render(<SweepEntry {...{ set, corner, lap: 0 }} {...own} />);
    expect(screen.getByRole('button', { name: /Start: the mark leaves/ })).toHaveFocus();
    space();
    expect(own.onBegun).toHaveBeenCalledTimes(1);
    for (let stud = 2; stud <= 5; stud += 1) {
      wait(3000);
      expect(screen.getByRole('button', { name: new RegExp(`Stud ${stud} passes`) })).toBeVisible();
      space();
    }
    wait(3000);
    expect(own.onDraw.mock.lastCall?.[0]?.some((value: unknown) => value !== null)).toBe(true);
    space();
    const [sweep, lap] = own.onSwept.mock.lastCall!;
    expect(sweep.marks).toHaveLength(6);
    expect(lap).toMatchObject({ positions: 240, pace: { isMarked: true } });
    // The curve that was drawn meanwhile goes.
    expect(own.onDraw).toHaveBeenLastCalledWith(null);
    expect(screen.getByRole('button', { name: /Start: the mark leaves/ })).toBeVisible();
  });

  test('may be taken by its ends alone', () => {
    const own = handlers();
    render(<SweepEntry {...{ set, corner, lap: 0 }} {...own} />);
    space();
    wait(15_000);
    fireEvent.click(screen.getByRole('button', { name: /no stud marked/ }));
    expect(own.onSwept.mock.lastCall?.[1]).toMatchObject({ pace: { isMarked: false } });
  });

  test('that was too quick is refused in words and kept nowhere; one can be left', () => {
    const own = handlers();
    render(<SweepEntry {...{ set, corner, lap: 0 }} {...own} />);
    space();
    wait(1000);
    fireEvent.click(screen.getByRole('button', { name: /no stud marked/ }));
    expect(screen.getByRole('alert')).toHaveTextContent(/turn slowly/);
    space();
    wait(1000);
    fireEvent.click(screen.getByRole('button', { name: 'Leave this turn' }));
    expect(screen.getByRole('button', { name: /Start: the mark leaves/ })).toBeVisible();
    expect(own.onSwept).not.toHaveBeenCalled();
  });

  test('a key that is held down marks once', () => {
    const own = handlers();
    render(<SweepEntry {...{ set, corner, lap: 0 }} {...own} />);
    space();
    fireEvent.keyDown(document.activeElement!, { key: ' ', repeat: true });
    expect(screen.getByRole('button', { name: /Stud 2 passes/ })).toBeVisible();
  });

  test('without a gauge that sends it says what to do', () => {
    render(
      <SweepEntry {...{ corner, lap: 0 }} set={{ ...set, isVirtual: false }} {...handlers()} />,
    );
    expect(screen.getByText(/No gauge on a cable is known/)).toBeVisible();
  });
});

test('the curve so far goes on at the pace before, and never beyond the next stud', () => {
  const turn = beginTurn(0);
  for (let time = 0; time <= 4500; time += 50) {
    turn.times.push(time);
    turn.values.push(time);
  }
  turn.marks.push(3000);
  const curve = curveSoFar(turn, 5);
  expect(curve[24]).toBe(3050);
  const last = curve.findLastIndex((value) => value !== null);
  expect(last).toBe(36);
  turn.times.push(60_000);
  turn.values.push(1);
  expect(curveSoFar(turn, 5).findLastIndex((value) => value !== null)).toBe(48);
});

test('laps that were swept are told, a line each', () => {
  const times = Array.from({ length: 300 }, (_, i) => 50 * i);
  const values = times.map((time) => 20 * Math.cos(time / 2387));
  const sweeps = [{ unit: 'mm' as const, times, values, marks: [0, 14_950] }];
  render(<SweptLaps set={{ ...set, sweeps }} />);
  expect(
    screen.getByText(/Lap 1 swept: 300 readings in 15 s, 240 places, by its ends alone/),
  ).toBeVisible();
});
