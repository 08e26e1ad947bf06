import { act, render, screen } from '@testing-library/react';
import { AloneSince } from './AloneSince';

let isHeard = true;
let last: number | null = null;
jest.mock('./live', () => ({ isLive: () => isHeard, heardLast: () => last }));

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const wait = () => act(() => jest.advanceTimersByTime(5100));

test('a page that hears the server no more says since when, until it is heard again', () => {
  render(<AloneSince />);
  wait();
  expect(screen.getByRole('status').textContent).toBe('');
  // A server that was never heard is none that went away.
  isHeard = false;
  wait();
  expect(screen.getByRole('status').textContent).toBe('');
  last = new Date(2026, 10, 29, 13, 2).getTime();
  wait();
  expect(screen.getByRole('status').textContent).toBe(
    ' · without the server since 13:02: what stands here is of then',
  );
  isHeard = true;
  wait();
  expect(screen.getByRole('status').textContent).toBe('');
});
