import { act, render, screen } from '@testing-library/react';
import { later } from './later';

/** A part that comes when it is told to, and what shows it. */
function waitingPart() {
  const asked: { come: (word: string) => void; fail: () => void }[] = [];
  const usePart = later(
    () =>
      new Promise<{ word: string }>((resolve, reject) =>
        asked.push({
          come: (word) => resolve({ word }),
          fail: () => reject(new Error('the network lost it')),
        }),
      ),
  );
  const Shown = () => <p>{usePart()?.word ?? 'not yet'}</p>;
  return { asked, Shown };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('a part is asked for once, however many want it, and shown wherever it is wanted', async () => {
  const { asked, Shown } = waitingPart();
  const { unmount } = render(
    <>
      <Shown />
      <Shown />
    </>,
  );
  expect(screen.getAllByText('not yet')).toHaveLength(2);
  expect(asked).toHaveLength(1);
  await act(async () => {
    asked[0]!.come('here');
    await jest.advanceTimersByTimeAsync(0);
  });
  expect(screen.getAllByText('here')).toHaveLength(2);
  unmount();
  render(<Shown />);
  expect(screen.getByText('here')).toBeInTheDocument();
  expect(asked).toHaveLength(1);
});

test('one that the network lost is asked for again, and by nobody who is gone', async () => {
  const { asked, Shown } = waitingPart();
  const { unmount } = render(<Shown />);
  await act(async () => {
    asked[0]!.fail();
    await jest.advanceTimersByTimeAsync(2000);
  });
  expect(asked).toHaveLength(2);
  unmount();
  asked[1]!.fail();
  await jest.advanceTimersByTimeAsync(10_000);
  expect(asked).toHaveLength(2);
});
