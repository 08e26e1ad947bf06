import { fireEvent, render, screen } from '@testing-library/react';
import { bench, clearBench, fakeBrowser, press } from '../../tests/support/stripBench';
import { FirstRun } from './FirstRun';

jest.mock('@/ui/keeper/browser', () => fakeBrowser);
jest.mock('next/navigation', () => ({
  useRouter: () => ({ refresh: () => undefined }),
  usePathname: () => '/',
}));
beforeEach(() => {
  clearBench();
  localStorage.clear();
});

const heading = (): string | undefined => screen.queryByRole('heading')?.textContent ?? undefined;

test('three questions, one at a time; each can be skipped, and is not asked again here', () => {
  const all = { open: ['people', 'units', 'prices'], people: [], here: null } as const;
  const { unmount } = render(<FirstRun {...all} />);
  expect(heading()).toBe('Who works here?');
  fireEvent.click(screen.getByRole('button', { name: 'Skip' }));
  expect(heading()).toBe('Which units are on your gauges?');
  fireEvent.click(screen.getByRole('button', { name: 'Skip' }));
  expect(heading()).toBe('Prices and times: now or later?');
  expect(screen.getByRole('link', { name: 'Prices now' })).toHaveAttribute(
    'href',
    '/workshop/prices',
  );
  fireEvent.click(screen.getByRole('button', { name: 'Later' }));
  expect(heading()).toBeUndefined();
  unmount();
  render(<FirstRun {...all} />);
  expect(heading()).toBeUndefined();
});

test('what is answered is written; who works here goes on to the next by hand', async () => {
  const people = [{ id: '1', name: 'Wren' }];
  const { rerender } = render(<FirstRun open={['people', 'units']} people={people} here="1" />);
  fireEvent.click(screen.getByRole('button', { name: 'That is everyone' }));
  await press(screen.getByRole('button', { name: 'Thousandths of an inch' }));
  expect(bench.calls).toContainEqual(['units', 'thou']);
  rerender(<FirstRun open={['people']} people={people} here="1" />);
  expect(heading()).toBeUndefined();
});
