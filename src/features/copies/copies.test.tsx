import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { CopiesDesk } from './CopiesDesk';
import { CopyProgress } from './CopyProgress';
import { sayBytes } from './model';

const calls: unknown[][] = [];
const staged = {
  id: 'restoring-abc123',
  isOwn: true,
  manifest: {
    format: 'zesty-hound-backup',
    version: 1,
    made: '2026-03-02T02:30:00.000Z',
    schema: { when: 1, tag: 'x' },
    counts: { vehicles: 6, jobs: 15, readings: 2100, photos: 3 },
  },
} as const;
let refusal: string | null = null;
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));
jest.mock('./requests', () => {
  const say =
    (name: string, value: unknown) =>
    (...args: unknown[]): Promise<unknown> => {
      calls.push([name, ...args]);
      return Promise.resolve(
        refusal === null ? { ok: true, value } : { ok: false, message: refusal, fields: {} },
      );
    };
  return {
    takeCopy: jest.requireActual<typeof import('./requests')>('./requests').takeCopy,
    makeCopy: say('copy', { name: 'x', says: 'backup-2026-03-02-101112.tar.gz is kept.' }),
    askProgress: say('progress', { says: 'Packing it', share: 0.5 }),
    cancelCopy: say('cancel', null),
    removeCopy: say('remove', 'x'),
    stageCopy: (name: string) => say('stage', staged)(name),
    restoreCopy: say('restore', 'before-restore-x'),
    leaveCopy: say('drop', null),
    sendCopy: jest.requireActual<typeof import('./requests')>('./requests').sendCopy,
  };
});
beforeEach(() => {
  calls.length = 0;
  refusal = null;
});

const copies = [
  {
    name: 'nightly-2026-03-02.tar.gz',
    made: new Date('2026-03-02T02:30:00'),
    bytes: 7_200_000,
    kind: 'nightly',
    checked: '2026-03-02T02:30:00.000Z',
    isElsewhere: true,
  },
  {
    name: 'backup-2026-03-01-101112.tar.gz',
    made: new Date('2026-03-01T10:11:12'),
    bytes: 900,
    kind: 'by-hand',
    checked: null,
    isElsewhere: false,
  },
] as const;
/** Presses a button once it can be pressed. */
async function press(name: RegExp | string): Promise<void> {
  const button = (): HTMLElement => screen.getByRole('button', { name });
  await waitFor(() => expect(button().hasAttribute('disabled')).toBe(false));
  await act(async () => {
    fireEvent.click(button());
    await Promise.resolve();
  });
}

test('copies are listed; only one made by hand can be thrown away', async () => {
  render(<CopiesDesk copies={copies} canRestore />);
  expect(
    screen.getByText(/of the night, 7\.2 MB, checked, in the second folder too/),
  ).toBeInTheDocument();
  expect(screen.getAllByRole('button', { name: /^Throw away/ })).toHaveLength(1);
  await press(/^Throw away/);
  expect(calls.at(-1)).toEqual(['remove', 'backup-2026-03-01-101112.tar.gz']);
  await press('Make a copy now');
  await waitFor(() => expect(screen.getByText(/is kept\./)).toBeInTheDocument());
});

test('a copy is looked through first, and put in place by a second press', async () => {
  render(<CopiesDesk copies={copies} canRestore />);
  await press(/^Restore.*nightly/);
  await waitFor(() => expect(screen.getByText('This copy is whole.')).toBeInTheDocument());
  expect(screen.getByRole('alert').textContent).toContain('2,100 readings');
  expect(calls.map(([name]) => name)).toEqual(['stage']);
  await press('Put it in place of the records');
  await waitFor(() => expect(screen.getByText(/The copy is in place/)).toBeInTheDocument());
  expect(calls.at(-1)).toEqual(['restore', 'restoring-abc123', false]);
  expect(screen.queryByText('This copy is whole.')).toBeNull();
});

test('while a copy is made it says how far it is, and can be ended', async () => {
  render(<CopyProgress isAsked />);
  await waitFor(() => expect(screen.getByRole('status').textContent).toBe('Packing it …'));
  expect(screen.getByRole('progressbar')).toHaveAttribute('value', '50');
  await press('Cancel the copy');
  expect(calls.at(-1)).toEqual(['cancel']);
});

test('who is no lead may look, and leaves it', async () => {
  render(<CopiesDesk copies={copies} canRestore={false} />);
  await press(/^Restore.*nightly/);
  const button = await screen.findByRole('button', { name: 'Put it in place of the records' });
  expect(button.hasAttribute('disabled')).toBe(true);
  await press('Leave it');
  expect(calls.at(-1)).toEqual(['drop', 'restoring-abc123']);
});

test('a file that is refused says why; an empty shelf says when the first comes', async () => {
  global.fetch = jest.fn(() =>
    Promise.resolve({ json: () => Promise.resolve({ error: { message: 'It is torn.' } }) }),
  ) as unknown as typeof fetch;
  render(<CopiesDesk copies={[]} canRestore />);
  expect(screen.getByText(/The first one is made in the night/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText(/^Copy/), {
    target: { files: [new File(['x'], 'a.gz')] },
  });
  await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('It is torn.'));
  refusal = 'The disk is full.';
  await press('Make a copy now');
  await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('The disk is full.'));
});

test('sizes in the largest unit that leaves a figure', () => {
  expect([0, 900, 1500, 7_200_000, 81_000_000, 2_700_000_000].map(sayBytes)).toEqual([
    '0 B',
    '900 B',
    '1.5 kB',
    '7.2 MB',
    '81 MB',
    '2.7 GB',
  ]);
});

test('a copy to take along is made, saved under its name and not kept; why there is none is said', async () => {
  render(<CopiesDesk copies={copies} canRestore />);
  const name = 'backup-2026-03-02-101112.tar.gz';
  const asked: string[] = [];
  const stands: object[] = [];
  const answer = (posted: object): void => {
    asked.length = 0;
    global.fetch = jest.fn((path: string, { method = 'GET' } = {}) => {
      asked.push(`${method} ${path}`);
      const isStands = method === 'GET' && path.endsWith('/copies');
      const body = method === 'POST' ? posted : { value: isStands ? stands.shift() : name };
      const ok = !('error' in body);
      const read = { json: () => Promise.resolve(body), blob: () => Promise.resolve(new Blob()) };
      return Promise.resolve({ ok, ...read });
    }) as unknown as typeof fetch;
  };
  answer({ error: { message: 'A copy is being made just now.' } });
  await press('Take a copy with you');
  await waitFor(() =>
    expect(screen.getByRole('alert').textContent).toBe('A copy is being made just now.'),
  );
  Object.assign(URL, { createObjectURL: () => '#x', revokeObjectURL: () => undefined });
  // It takes longer than anybody waits for an answer: the page asks until it is there.
  answer({ value: null });
  stands.push({ underWay: { says: 'Packing it', share: 0.5 }, last: null });
  stands.push({ underWay: null, last: { ok: true, value: { name, says: `${name} is kept.` } } });
  await press('Take a copy with you');
  await waitFor(
    () =>
      expect(screen.getByText(`zesty-hound-${name} is with your downloads.`)).toBeInTheDocument(),
    { timeout: 4000 },
  );
  expect(asked).toEqual([
    'POST /api/v1/copies',
    'GET /api/v1/copies',
    'GET /api/v1/copies',
    `GET /api/v1/backup?copy=${name}`,
    `DELETE /api/v1/copies/${name}`,
  ]);
});
