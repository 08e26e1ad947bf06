import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { ArchiveDesk } from './ArchiveDesk';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));

const plan = [
  {
    table: 'jobs',
    fresh: 2,
    same: 1,
    conflicts: ['["x"]'],
    leftOut: 0,
    renamed: ['number 101 → 100101'],
  },
  { table: 'people', fresh: 0, same: 0, conflicts: [], leftOut: 0, renamed: [] },
];
const asked: string[] = [];
const answer = (body: object): void => {
  global.fetch = jest.fn((url: string) => {
    asked.push(url);
    return Promise.resolve({ ok: !('error' in body), json: () => Promise.resolve(body) });
  }) as unknown as typeof fetch;
};
const choose = (): void => {
  const file = new File(['{}'], 'shop.json', { type: 'application/json' });
  fireEvent.change(screen.getByLabelText(/Archive/), { target: { files: [file] } });
};
beforeEach(() => (asked.length = 0));

test('an archive is looked through first, then brought in by a second press', async () => {
  answer({ isOwn: true, tables: plan });
  render(<ArchiveDesk />);
  choose();
  const bring = await screen.findByRole('button', { name: 'Bring in 2 rows' });
  expect(screen.getByText(/brought as number 101 → 100101/)).toBeInTheDocument();
  expect(screen.getAllByRole('row')).toHaveLength(2);
  expect(asked).toEqual(['/api/v1/archive?dry=1']);
  await waitFor(() => expect(bring.hasAttribute('disabled')).toBe(false));
  fireEvent.click(bring);
  await waitFor(() => expect(screen.getByText('Brought in.')).toBeInTheDocument());
  expect(asked).toEqual(['/api/v1/archive?dry=1', '/api/v1/archive']);
});

test('what is wrong with it is said, and nothing can be pressed', async () => {
  answer({ error: { message: 'This is a zip file.' } });
  render(<ArchiveDesk />);
  choose();
  await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('This is a zip file.'));
  expect(screen.queryByRole('button')).toBeNull();
});

test('what this shop did not make says so, and what of it stays out', async () => {
  answer({ isOwn: false, tables: [{ ...plan[1], table: 'people', leftOut: 3 }] });
  render(<ArchiveDesk />);
  choose();
  expect(await screen.findByText(/none of them counts as signed here/)).toBeInTheDocument();
  expect(screen.getByRole('row', { name: 'people 0 0 0 3' })).toBeInTheDocument();
});

test('nothing new is nothing to bring', async () => {
  answer({ isOwn: true, tables: [{ ...plan[0], fresh: 0 }] });
  render(<ArchiveDesk />);
  choose();
  const nothing = await screen.findByRole<HTMLButtonElement>('button', {
    name: 'Nothing new in it',
  });
  expect(nothing.disabled).toBe(true);
});
