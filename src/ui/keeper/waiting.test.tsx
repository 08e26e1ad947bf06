import { act, render, renderHook, screen } from '@testing-library/react';
import {
  bench,
  clearBench,
  fakeBrowser,
  pageIsLoaded,
  settle,
} from '../../../tests/support/stripBench';
import { checkPlace, keepCheck } from './checkWrite';
import { keepWrite } from './keepWrite';
import { useLaidStep, useSeenStamp, useTypedBefore, useWaitingOf } from './waiting';

jest.mock(
  './browser',
  () =>
    jest.requireActual<{ fakeBrowser: unknown }>('../../../tests/support/stripBench').fakeBrowser,
);

const JOB = '0a5b6b6e-6f6f-4f6f-8f6f-000000000001';
const KEY = { jobId: JOB, kind: 'hydraulics', place: 'FL', item: 'bled' };
const ON_PAGE = { value: 'done', note: null, by: 'Wren', at: '14:02', stamp: 'old' };
const AWAY = { state: 'trouble', message: 'away' };
const write = async (value: unknown): Promise<void> => {
  void keepCheck({ ...KEY, value, note: null, seen: null }, 'by-writer');
  await settle();
};
const laidStep = (written: typeof ON_PAGE | null) =>
  renderHook(() => [useLaidStep(KEY, written), useSeenStamp(KEY, written?.stamp ?? null)] as const);

beforeEach(() => clearBench());

test('a step that waits stands on a page that was rendered before it, and goes with its taking back', async () => {
  bench.answer = AWAY;
  const { result, rerender } = laidStep(null);
  expect(result.current).toEqual([null, null]);
  await write('done');
  expect(result.current[0]).toMatchObject({ value: 'done', by: null });
  expect(result.current[0]?.at).toMatch(/^\d\d:\d\d, on this device only$/);
  // Nothing of it is on the server: nothing was seen.
  expect(result.current[1]).toBeNull();
  await write(null);
  rerender();
  expect(result.current[0]).toBeNull();
});

test('what was done since the page was rendered leads, with its stamp, until the page shows it', async () => {
  const { result } = laidStep(ON_PAGE);
  expect(result.current).toEqual([ON_PAGE, 'old']);
  await write('left-out');
  expect(result.current[0]?.value).toBe('left-out');
  expect(result.current[1]).toBe('new');
  pageIsLoaded();
  expect(result.current).toEqual([ON_PAGE, 'old']);
});

const order = (text: string) => ({
  ...{ name: 'limit', input: { text }, place: 'limit FL', jobId: JOB, about: 'a limit' },
});
function Field() {
  const before = useTypedBefore<{ readonly text: string }>('limit FL');
  return <input key={before?.id ?? ''} defaultValue={before?.input.text ?? 'empty'} />;
}

test('a field begins with what was typed on an earlier visit, and keeps what is typed on this one', async () => {
  bench.answer = AWAY;
  const first = render(<Field />);
  await settle();
  expect(screen.getByRole('textbox')).toHaveValue('empty');
  void keepWrite(order('0.05'));
  await settle();
  // Its own field has it already.
  expect(screen.getByRole('textbox')).toHaveValue('empty');
  first.unmount();
  await act(() => new Promise((resolve) => setTimeout(resolve, 5)));
  render(<Field />);
  await settle();
  expect(screen.getByRole('textbox')).toHaveValue('0.05');
  // Nothing is laid over a page that the server rendered with it.
  await act(async () => {
    const keeper = fakeBrowser.browserKeeper();
    await Promise.all(keeper.current().writes.map((each) => keeper.drop(each)));
  });
});

test('what waits of a job is known by the names of its use cases', async () => {
  bench.answer = AWAY;
  const { result } = renderHook(() => useWaitingOf(JOB, ['limit']));
  await settle();
  expect(result.current).toEqual([]);
  void keepWrite(order('0.05'));
  void keepCheck({ ...KEY, value: 'done', note: null, seen: null });
  await settle();
  expect(result.current.map(({ place }) => place)).toEqual(['limit FL']);
  expect(result.current.some(({ place }) => place === checkPlace(KEY))).toBe(false);
});
