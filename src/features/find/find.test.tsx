import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { findQuerySchema } from '@/core/contracts';
import { FindForm } from './FindForm';
import { FoundList } from './FoundList';
import { Palette } from './Palette';

const went: string[] = [];
jest.mock('next/navigation', () => ({
  useRouter: () => ({ push: (to: string) => went.push(to) }),
}));

const CAUSES = [{ code: 'hose', name: 'Collapsed hose' }];
const job = {
  id: 'a',
  number: 101,
  plate: 'SK-001-A',
  make: 'Pellick',
  model: 'Tern',
  complaint: 'It shakes.',
  cause: 'hose',
  createdAt: new Date('2026-11-01'),
  closedAt: null,
  isSignedElsewhere: false,
  isComeback: true,
};

test('what was asked for stands in the form again, narrowed down or not', () => {
  const query = findQuerySchema.parse({ q: 'quay', state: 'closed', corner: 'FL', due: '1' });
  const { container, rerender } = render(<FindForm query={query} causes={CAUSES} />);
  expect(screen.getByLabelText<HTMLInputElement>(/^Plate, vehicle/).value).toBe('quay');
  expect(screen.getByLabelText<HTMLSelectElement>('How far').value).toBe('closed');
  expect(screen.getByLabelText<HTMLInputElement>(/overdue/).checked).toBe(true);
  expect(container.querySelector('details')!.open).toBe(true);
  rerender(<FindForm query={findQuerySchema.parse({})} causes={CAUSES} />);
  expect(container.querySelector('details')!.open).toBe(false);
});

test('a page of what was found, the way to the next, and nothing found', () => {
  const query = findQuerySchema.parse({ q: 'x', page: '2' });
  const { rerender } = render(
    <FoundList
      finding={{ query, jobs: [job], total: 60, pages: 3, isMore: true }}
      causes={CAUSES}
    />,
  );
  expect(screen.getByRole('status').textContent).toBe('60 jobs');
  expect(screen.getByRole('listitem').textContent).toMatch(/open · Collapsed hose · comeback/);
  expect(screen.getByRole('link', { name: 'Next' }).getAttribute('href')).toBe('/find?q=x&page=3');
  expect(screen.getByRole('link', { name: 'Before' }).getAttribute('href')).toBe('/find?q=x');
  rerender(
    <FoundList
      finding={{ query, jobs: [job], total: null, pages: 41, isMore: true }}
      causes={CAUSES}
    />,
  );
  expect(screen.getByRole('status').textContent).toBe('More than 500 jobs');
  rerender(
    <FoundList finding={{ query, jobs: [], total: 0, pages: 1, isMore: false }} causes={CAUSES} />,
  );
  expect(screen.getByRole('status').textContent).toMatch(/nothing on file/);
});

describe('the palette', () => {
  beforeAll(() => {
    HTMLDialogElement.prototype.showModal = function show() {
      this.open = true;
    };
    HTMLDialogElement.prototype.close = function close() {
      this.open = false;
    };
  });
  beforeEach(() => (went.length = 0));

  const type = async (text: string): Promise<void> => {
    fireEvent.keyDown(document, { key: 'k', ctrlKey: true });
    await act(async () => {
      fireEvent.change(screen.getByLabelText(/^Plate/), { target: { value: text } });
      await Promise.resolve();
    });
  };

  test('what is typed before its list is here stays, with the focus at its end', async () => {
    global.fetch = jest.fn(() => Promise.reject(new Error('away'))) as unknown as typeof fetch;
    render(<Palette />);
    fireEvent.keyDown(document, { key: 'k', ctrlKey: true });
    const plain = screen.getByLabelText(/^Plate/);
    expect(plain.getAttribute('role')).toBeNull();
    fireEvent.change(plain, { target: { value: 'SK' } });
    const field = await screen.findByRole<HTMLInputElement>('combobox', { hidden: true });
    expect([field.value, field.selectionStart, document.activeElement]).toEqual(['SK', 2, field]);
  });

  test('opens by its keys, lists places, and arrows and Enter go there', async () => {
    const places = [
      { href: '/jobs/a', name: 'SK-001-A · job 101', about: 'It shakes.' },
      { href: '/vehicles/b', name: 'SK-001-A · vehicle', about: 'Pellick Tern' },
    ];
    global.fetch = jest.fn(() =>
      Promise.resolve({ json: () => Promise.resolve({ places }) }),
    ) as unknown as typeof fetch;
    render(<Palette />);
    await type('001');
    await waitFor(() => expect(screen.getAllByRole('option', { hidden: true })).toHaveLength(2));
    const field = screen.getByRole('combobox', { hidden: true });
    fireEvent.keyDown(field, { key: 'ArrowDown' });
    const [, second] = screen.getAllByRole('option', { hidden: true });
    expect(second!.getAttribute('aria-selected')).toBe('true');
    fireEvent.submit(field.closest('form')!);
    expect(went).toEqual(['/vehicles/b']);
  });

  test('with nothing found, Enter opens the search', async () => {
    global.fetch = jest.fn(() => Promise.reject(new Error('away'))) as unknown as typeof fetch;
    render(<Palette />);
    await type('quay');
    fireEvent.submit(screen.getByLabelText(/^Plate/).closest('form')!);
    expect(went).toEqual(['/find?q=quay']);
  });
});
